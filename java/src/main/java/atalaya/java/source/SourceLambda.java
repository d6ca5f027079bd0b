package atalaya.java.source;

/** A lambda: what stands in its body, and the lines it covers, both inclusive. */
public record SourceLambda(SourceCode body, int firstLine, int lastLine) {}

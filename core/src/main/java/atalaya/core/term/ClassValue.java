package atalaya.core.term;

/**
 * An object of {@code java.lang.Class}, of a class that need not be there.
 *
 * @param type its internal name
 */
public record ClassValue(String type) {}

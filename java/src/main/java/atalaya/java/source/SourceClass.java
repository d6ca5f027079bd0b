package atalaya.java.source;

import java.util.List;

/**
 * A class as it is written.
 *
 * @param name the simple name; empty when it has none
 * @param methods in the order of the source
 * @param fields what initialises its objects
 * @param statics what initialises the class
 * @param members the classes declared in it as members
 * @param locals the classes that stand in its code, in the order of the source
 */
public record SourceClass(
    String name,
    int firstLine,
    int lastLine,
    List<SourceMethod> methods,
    SourceCode fields,
    SourceCode statics,
    List<SourceClass> members,
    List<SourceClass> locals) {}

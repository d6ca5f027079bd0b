package atalaya.java;

/**
 * A source file.
 *
 * @param module the module it belongs to
 * @param path from the project's root, with slashes
 * @param packagePath its path below its source folder, with slashes: {@code harbour/Berth.java}
 */
public record SourceText(String module, String path, String packagePath, String text) {}

package atalaya.launch.project;

import java.nio.file.Path;

/**
 * A source file of a module.
 *
 * @param packagePath its path below its source folder, with slashes
 * @param modified in milliseconds since 1970
 */
public record FoundSource(
    ProjectModule module, Path file, String packagePath, long modified, String text) {}

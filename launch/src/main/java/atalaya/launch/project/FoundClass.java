package atalaya.launch.project;

import java.nio.file.Path;

/**
 * A class file of a module.
 *
 * @param name the binary name
 * @param file where it is; the jar, when it is in one
 * @param modified in milliseconds since 1970
 */
public record FoundClass(
    ProjectModule module, String name, Path file, long modified, byte[] bytes) {}

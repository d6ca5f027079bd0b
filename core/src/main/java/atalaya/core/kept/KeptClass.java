package atalaya.core.kept;

/**
 * A class file that a run keeps.
 *
 * @param file where it was, from the project's root
 * @param modified in milliseconds since 1970
 * @param isTest whether it belongs to the tests
 */
public record KeptClass(
    String module,
    String name,
    String file,
    long modified,
    String hash,
    boolean isTest,
    byte[] bytes) {}

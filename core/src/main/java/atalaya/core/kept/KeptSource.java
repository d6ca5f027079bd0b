package atalaya.core.kept;

/**
 * A source file that a run keeps.
 *
 * @param path from the project's root
 * @param modified in milliseconds since 1970
 * @param hash SHA-256 of its bytes, in hexadecimal digits
 */
public record KeptSource(String module, String path, long modified, String hash, String text) {}

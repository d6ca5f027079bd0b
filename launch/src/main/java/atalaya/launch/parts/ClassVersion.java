package atalaya.launch.parts;

/**
 * A class as it was loaded.
 *
 * @param name the binary name
 * @param hash of its bytes, see {@link atalaya.points.Hash}
 */
public record ClassVersion(String name, String hash) {}

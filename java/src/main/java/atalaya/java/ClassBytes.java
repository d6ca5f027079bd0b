package atalaya.java;

/**
 * A class file.
 *
 * @param module the module it belongs to
 * @param name the binary name
 */
public record ClassBytes(String module, String name, byte[] bytes) {}

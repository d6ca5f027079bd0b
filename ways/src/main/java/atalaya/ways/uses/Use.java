package atalaya.ways.uses;

/**
 * A call that a test makes.
 *
 * @param code as Java has it, {@code ..} for what can't be told or is too long
 * @param isWhole whether nothing is left out
 * @param testClass the binary name of the class it stands in
 * @param file the name of its source; empty where the class file does not tell
 * @param line from 1; 0 where the class file does not tell
 */
public record Use(String code, boolean isWhole, String testClass, String file, int line) {}

package atalaya.java.bytecode;

/**
 * An instruction that computes, calls, assigns, returns or throws.
 *
 * @param line that the line table gives it, or 0
 * @param instruction its number in the method, from 0, labels and line numbers aside
 * @param key what it is: an operator as Java writes it, {@code neg}, {@code iinc}, {@code return},
 *     {@code throw}, {@code = 5} for a constant, {@code call name}, {@code new Name}, {@code put
 *     name}
 */
public record CodeOperation(int line, int instruction, String key) implements CodeItem {}

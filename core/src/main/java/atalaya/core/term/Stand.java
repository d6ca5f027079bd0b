package atalaya.core.term;

/**
 * An object of which nothing is known but that it is there.
 *
 * @param name of the input that it is
 * @param type the descriptor of its type
 */
public record Stand(String name, String type) {}

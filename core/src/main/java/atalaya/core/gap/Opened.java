package atalaya.core.gap;

import java.util.BitSet;

/**
 * What gaps of a method open up within it, the missing outcomes themselves included; each once.
 *
 * @param lines their numbers
 * @param outcomes by their place among all outcomes of the method, from 0
 */
public record Opened(BitSet lines, BitSet outcomes) {}

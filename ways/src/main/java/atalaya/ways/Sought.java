package atalaya.ways;

import atalaya.ways.code.CodeBase.Ref;
import java.util.BitSet;

/**
 * What a way is looked for to.
 *
 * @param method the one that the way is for
 * @param towards a point that the way has to reach, or -1
 * @param left the points of the method that are not reached
 * @param isHard whether a search through the method found no way that a test can take
 */
record Sought(Ref method, int towards, BitSet left, boolean isHard) {}

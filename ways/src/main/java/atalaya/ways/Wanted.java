package atalaya.ways;

import atalaya.ways.code.CodeBase.Ref;
import java.util.BitSet;
import java.util.function.Function;

/**
 * What is looked for.
 *
 * @param method the one that the way is for
 * @param reached the points of a class, by binary name, that are reached already
 * @param towards a point that the way has to reach, or -1
 */
public record Wanted(Ref method, Function<String, BitSet> reached, int towards) {}

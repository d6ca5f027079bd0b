/**
 * The numbering of points in a class file, and the format of the part files that observed JVMs
 * write ({@code docs/points.md}). Java 8 bytecode: it also runs inside observed programs.
 */
package atalaya.points;

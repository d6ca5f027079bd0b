package atalaya.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.util.OptionalInt;

/**
 * Everything a command has of the outside world.
 *
 * @param out for data
 * @param err for progress, warnings and advice
 * @param directory the working folder
 * @param home where Atalaya is installed
 * @param columns the terminal's width; empty when the output goes elsewhere
 * @param wantsNoColour whether the environment asks for no colour
 */
public record Console(
    PrintWriter out,
    PrintWriter err,
    Path directory,
    Path home,
    Clock clock,
    OptionalInt columns,
    boolean wantsNoColour) {}

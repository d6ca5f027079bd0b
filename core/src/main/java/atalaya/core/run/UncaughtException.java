package atalaya.core.run;

/**
 * An exception that ended a thread of an observed program.
 *
 * @param type the binary name of its class
 * @param message empty when it has none
 * @param place {@code class.method:line}, of observed code if it came through any
 */
public record UncaughtException(String thread, String type, String message, String place) {}

/**
 * Computes again what a run file does not keep ready: the model of some classes, and who reached
 * what.
 */
package atalaya.cli.again;

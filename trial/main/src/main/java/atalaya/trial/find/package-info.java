/** Finds the mutants of classes; {@code docs/mutants.md}. */
package atalaya.trial.find;

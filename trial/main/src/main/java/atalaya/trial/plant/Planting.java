package atalaya.trial.plant;

/**
 * One instruction that a mutant changes.
 *
 * @param mutant its number
 * @param code the method of the class file, name and descriptor
 * @param instruction its number in that method, from 0, labels and line numbers aside
 */
public record Planting(int mutant, String code, int instruction, Replacement replacement) {}

/** Puts mutants into class files. */
package atalaya.trial.plant;

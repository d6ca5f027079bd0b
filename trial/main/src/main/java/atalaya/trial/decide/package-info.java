/** Decides mutants in workers: JVMs that run the tests as they were observed. */
package atalaya.trial.decide;

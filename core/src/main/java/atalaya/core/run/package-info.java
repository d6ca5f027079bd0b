/** Runs: what was executed, by which tests, and what could not be observed. */
package atalaya.core.run;

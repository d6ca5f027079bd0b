/** Challenges a run: from its run file to verdicts in it. */
package atalaya.cli.challenge;

/** Brings an observation together: project, command, part files, model, run file. */
package atalaya.cli.observe;

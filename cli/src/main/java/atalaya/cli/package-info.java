/** The face of Atalaya: where the program starts, and how failures become exit codes. */
package atalaya.cli;

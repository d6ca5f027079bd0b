/** The commands: options and wiring, no computation. */
package atalaya.cli.command;

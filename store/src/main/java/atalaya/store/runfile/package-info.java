/** Run files: one SQLite database each ({@code docs/run-file.md}). */
package atalaya.store.runfile;

/** Finds a project's root, its modules, and the files in them. */
package atalaya.launch.project;

/** How tests use the code, as far as their class files tell. */
package atalaya.ways.uses;

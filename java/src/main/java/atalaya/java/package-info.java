/** Reads Java into the model: class files and sources, and which jump is which condition. */
package atalaya.java;

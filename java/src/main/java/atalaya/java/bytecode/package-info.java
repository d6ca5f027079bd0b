/** Class files as a list of methods, each with what happens in it, in the order of the code. */
package atalaya.java.bytecode;

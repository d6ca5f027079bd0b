/** Puts a way into words, values and the code of a test. */
package atalaya.ways.write;

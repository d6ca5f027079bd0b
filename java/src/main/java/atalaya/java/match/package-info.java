/** Brings class files and sources together. */
package atalaya.java.match;

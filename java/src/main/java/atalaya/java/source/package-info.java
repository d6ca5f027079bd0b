/** Sources as classes, methods, and what a compiler makes of them, in the order of the code. */
package atalaya.java.source;

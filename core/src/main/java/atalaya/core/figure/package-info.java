/** The figures of methods, classes and runs ({@code docs/measures.md}, sections 1 to 7). */
package atalaya.core.figure;

/** Looks in test classes for what a test checks. */
package atalaya.java.checks;

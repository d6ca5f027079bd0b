/**
 * Runs inside a JVM of the challenged project: it runs tests against planted classes and tells what
 * came of it. Java 8, and nothing but the project's own test frameworks.
 */
package atalaya.worker;

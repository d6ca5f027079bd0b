/** Starts programs with the agent announced to every JVM they start. */
package atalaya.launch.process;

/** The agent: plants points into observed classes as they load, and writes what was reached. */
package atalaya.agent;

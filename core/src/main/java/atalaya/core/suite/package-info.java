/**
 * The tests of a run beside each other: what each adds, and which a smaller suite could do without.
 */
package atalaya.core.suite;

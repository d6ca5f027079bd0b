/** Runs beside each other: what was gained and lost. */
package atalaya.core.compare;

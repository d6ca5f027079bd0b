/** Planted faults and what came of them ({@code docs/mutants.md}). */
package atalaya.core.mutant;

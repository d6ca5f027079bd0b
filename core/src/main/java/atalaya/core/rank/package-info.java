/** Ranking methods by their risk. */
package atalaya.core.rank;

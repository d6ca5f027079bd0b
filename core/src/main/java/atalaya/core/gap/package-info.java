/** Gaps: the places where the tests see too little, their names, and what each opens up. */
package atalaya.core.gap;

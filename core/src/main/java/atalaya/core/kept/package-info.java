/** What a run file keeps, so that every figure can be computed from it again. */
package atalaya.core.kept;

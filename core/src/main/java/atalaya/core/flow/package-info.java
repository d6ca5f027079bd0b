/** Who calls whom in the observed code. */
package atalaya.core.flow;

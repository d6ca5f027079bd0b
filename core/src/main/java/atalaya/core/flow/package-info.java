/** How control flows in the observed code, and who calls whom. */
package atalaya.core.flow;

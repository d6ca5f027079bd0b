/** What code computes from its inputs, as values that can be computed again with other inputs. */
package atalaya.core.term;

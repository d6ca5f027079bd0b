/** The inside of classes: the source with what was reached and what is missing. */
package atalaya.core.inspect;

/** Several runs as one. */
package atalaya.core.merge;

/** The model of observed code: what stands where, and which points of the class file mark it. */
package atalaya.core.code;

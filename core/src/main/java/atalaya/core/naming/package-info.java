/** Names for parts of the code, as people type them. */
package atalaya.core.naming;

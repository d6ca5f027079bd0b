/** Keeps runs and writes tables. */
package atalaya.store;

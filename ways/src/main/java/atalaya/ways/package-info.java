/** Finds ways through methods, and what has to hold for them to be taken. */
package atalaya.ways;

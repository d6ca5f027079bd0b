/** What class files say of the code that ways lead through, and what a test may see of it. */
package atalaya.ways.code;

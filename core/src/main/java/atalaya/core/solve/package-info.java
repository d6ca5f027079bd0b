/** Finds inputs that make conditions hold, or says why there are none. */
package atalaya.core.solve;

/** Leaving code out of the figures by its nature. */
package atalaya.core.leave;

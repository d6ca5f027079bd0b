/**
 * All that observed code calls. It stands on the boot class path, alone, so that every class loader
 * sees it.
 */
package atalaya.boot;

/** Collects what observed JVMs wrote. */
package atalaya.launch.parts;

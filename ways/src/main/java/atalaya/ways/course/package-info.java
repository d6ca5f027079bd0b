/** How control goes: along a planned path, as it turns out, or where it has to. */
package atalaya.ways.course;

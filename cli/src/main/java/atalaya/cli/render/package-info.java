/** How values look in a terminal. Nothing is computed here. */
package atalaya.cli.render;

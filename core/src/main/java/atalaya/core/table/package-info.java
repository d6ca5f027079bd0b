/** The tables that are exported, as values. */
package atalaya.core.table;

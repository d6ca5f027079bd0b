/** Tables as CSV and JSON. */
package atalaya.store.table;

/** What makes Atalaya start fast. */
package atalaya.cli.startup;

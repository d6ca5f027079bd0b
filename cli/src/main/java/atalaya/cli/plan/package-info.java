/** Plans the tests to write next for a run. */
package atalaya.cli.plan;

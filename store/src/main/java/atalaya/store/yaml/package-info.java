/** The project's configuration and its decisions, in YAML. */
package atalaya.store.yaml;

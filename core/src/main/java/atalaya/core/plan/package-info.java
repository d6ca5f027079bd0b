/** Which tests to write next: ways through methods, briefs, and their order. */
package atalaya.core.plan;

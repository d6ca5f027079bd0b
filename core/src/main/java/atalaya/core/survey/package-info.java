/** The whole: totals, and the parts of the code beside each other. */
package atalaya.core.survey;

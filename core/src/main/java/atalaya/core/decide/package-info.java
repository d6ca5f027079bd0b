/** What people ruled about gaps, and whether it still holds. */
package atalaya.core.decide;

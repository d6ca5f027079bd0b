/** Keeps plans, which take long to make. */
package atalaya.store.plan;

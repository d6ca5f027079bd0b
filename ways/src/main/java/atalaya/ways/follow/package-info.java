/** Follows a way with terms instead of values, and says what calls give and objects hold. */
package atalaya.ways.follow;

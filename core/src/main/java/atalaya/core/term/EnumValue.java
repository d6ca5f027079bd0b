package atalaya.core.term;

/**
 * A constant of an enum of the project.
 *
 * @param type its internal name
 * @param ordinal from 0
 */
public record EnumValue(String type, String name, int ordinal) {}

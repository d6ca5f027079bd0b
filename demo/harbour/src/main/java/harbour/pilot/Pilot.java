package harbour.pilot;

/** A pilot and the largest vessel she may bring in, in metres. */
public record Pilot(String name, int maxMetres) {}

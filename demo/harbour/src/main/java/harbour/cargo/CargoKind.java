package harbour.cargo;

/** Kinds of cargo, as manifests write them. */
public enum CargoKind {
  CONTAINER,
  BULK,
  LIQUID,
  VEHICLE,
  FISH;

  public static CargoKind parse(String text) {
    switch (text.trim().toLowerCase(java.util.Locale.ROOT)) {
      case "container":
      case "box":
        return CONTAINER;
      case "bulk":
        return BULK;
      case "liquid":
      case "oil":
        return LIQUID;
      case "vehicle":
      case "car":
        return VEHICLE;
      case "fish":
        return FISH;
      default:
        throw new IllegalArgumentException("unknown kind of cargo: " + text);
    }
  }
}

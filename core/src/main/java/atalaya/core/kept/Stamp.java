package atalaya.core.kept;

import java.util.List;

/**
 * How a file that classes came from looked when a run was made.
 *
 * @param path from the project's root
 * @param modified in milliseconds since 1970
 * @param hash SHA-256 of its bytes, in hexadecimal digits
 * @param classes the binary names of the classes that stand in it
 */
public record Stamp(String path, long modified, String hash, List<String> classes) {
  public Stamp {
    classes = List.copyOf(classes);
  }
}

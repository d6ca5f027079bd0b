package harbour.office;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;

/** What happened, in order. */
public final class Logbook {
  private final Clock clock;
  private final List<String> entries = new ArrayList<>();

  public Logbook(Clock clock) {
    this.clock = clock;
  }

  public void write(String entry) {
    entries.add(LocalDateTime.now(clock) + " " + entry);
  }

  public int size() {
    return entries.size();
  }

  public String last() {
    return entries.isEmpty() ? "" : entries.get(entries.size() - 1);
  }

  public List<String> find(String word) {
    return entries.stream().filter(entry -> entry.contains(word)).toList();
  }
}

package harbour.radio;

import java.time.LocalDateTime;

/** Something that vessels must know. */
public record Notice(LocalDateTime from, LocalDateTime to, boolean urgent, String text) {
  public boolean isValidAt(LocalDateTime time) {
    return !time.isBefore(from) && !time.isAfter(to);
  }
}

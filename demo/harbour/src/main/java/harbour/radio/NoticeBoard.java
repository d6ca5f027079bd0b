package harbour.radio;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;

/** Reads notices out on the working channel until they end. */
public final class NoticeBoard {
  private static final int WORKING_CHANNEL = 12;
  private static final int TRIES = 3;

  private final RadioLink link;
  private final List<Notice> notices = new ArrayList<>();
  private final List<Notice> unsent = new ArrayList<>();

  public NoticeBoard(RadioLink link) {
    this.link = link;
  }

  public void post(Notice notice) {
    notices.add(notice);
  }

  public int pending() {
    return unsent.size();
  }

  /** Reads out what is valid, and says how many notices went out. */
  public int readOut(LocalDateTime now) {
    int sent = 0;
    for (Notice notice : notices) {
      if (notice.isValidAt(now) && send(notice)) {
        sent++;
      }
    }
    return sent;
  }

  private boolean send(Notice notice) {
    for (int attempt = 1; attempt <= TRIES; attempt++) {
      try {
        if (notice.urgent()) {
          link.sendUrgent(WORKING_CHANNEL, notice.text());
        } else {
          link.send(WORKING_CHANNEL, notice.text());
        }
        return true;
      } catch (LinkDown e) {
        if (attempt == TRIES && !unsent.contains(notice)) {
          unsent.add(notice);
        }
      }
    }
    return false;
  }

  /** Takes down what has ended. */
  public int takeDown(LocalDateTime now) {
    int taken = 0;
    for (Iterator<Notice> all = notices.iterator(); all.hasNext(); ) {
      Notice notice = all.next();
      if (notice.to().isBefore(now)) {
        all.remove();
        unsent.remove(notice);
        taken++;
      }
    }
    return taken;
  }
}

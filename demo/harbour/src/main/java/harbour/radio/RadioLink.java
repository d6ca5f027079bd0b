package harbour.radio;

/** Sends text on a channel. */
public interface RadioLink {
  void send(int channel, String text) throws LinkDown;

  default void sendUrgent(int channel, String text) throws LinkDown {
    for (int i = 0; i < 3; i++) {
      send(channel, "PAN-PAN " + text);
    }
  }
}

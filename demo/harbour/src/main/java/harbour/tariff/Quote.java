package harbour.tariff;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What something costs, item by item, in cents. */
public final class Quote {
  private final List<String> items = new ArrayList<>();
  private long total;

  public Quote add(String item, long cents) {
    items.add(String.format(Locale.ROOT, "%-28s %9s", item, money(cents)));
    total += cents;
    return this;
  }

  public long total() {
    return total;
  }

  public int size() {
    return items.size();
  }

  public static String money(long cents) {
    String sign = cents < 0 ? "-" : "";
    long amount = Math.abs(cents);
    return sign + amount / 100 + "." + (amount % 100 < 10 ? "0" : "") + amount % 100;
  }

  public String asText() {
    StringBuilder text = new StringBuilder();
    for (String item : items) {
      text.append(item).append('\n');
    }
    return text.append(String.format(Locale.ROOT, "%-28s %9s", "total", money(total))).toString();
  }
}

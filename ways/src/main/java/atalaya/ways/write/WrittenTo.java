package atalaya.ways.write;

import atalaya.core.term.Term.Input;
import atalaya.ways.follow.Walked;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The arguments to which something is written on a way: a test looks at what they hold then. */
final class WrittenTo {
  /** Code that makes what can be asked what it holds. */
  private static final Pattern MADE =
      Pattern.compile("new (StringBuilder|StringBuffer|StringWriter|ByteArrayOutputStream)\\(.*");

  private final Map<Input, Walked.Written> last = new LinkedHashMap<>();

  WrittenTo(Walked walked) {
    for (Walked.Effect effect : walked.trace().effects()) {
      if (effect instanceof Walked.Written written
          && walked.needs().arguments().contains(written.object())) {
        last.put(written.object(), written);
      }
    }
  }

  /** Whether an effect is what was written last to an argument. */
  boolean isLast(Walked.Effect effect) {
    return last.containsValue(effect);
  }

  /** The class of which an argument is made, where a test can ask it what it holds. */
  Optional<String> type(Input argument, String making) {
    Matcher made = MADE.matcher(making);
    return last.containsKey(argument) && made.matches()
        ? Optional.of(made.group(1))
        : Optional.empty();
  }
}

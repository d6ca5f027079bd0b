package atalaya.ways.follow;

import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Path;
import atalaya.ways.course.NotFollowed;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is there after classes were initialised: the constants of enums, and what others hold. */
final class Initialised {
  private final Walker walker;
  private final Map<String, State> known = new HashMap<>();

  Initialised(Walker walker) {
    this.walker = walker;
  }

  /** After the shortest way through a class's initialiser; nothing where it can't be followed. */
  State after(String type) {
    State state = known.get(type);
    if (state == null) {
      known.put(type, new State()); // It may be asked for while it, or another one, is initialised.
      state = followed(type);
      known.put(type, state);
    }
    return state;
  }

  private State followed(String type) {
    State during = new State();
    Optional<Path> path =
        walker.base.code(new Ref(type, "<clinit>()V")).flatMap(MethodCode::shortest);
    Runnable back = walker.elsewhere();
    int depth = walker.depth;
    walker.depth = 1; // It is called by nobody.
    try {
      if (path.isPresent()) {
        walker.apart(during, path.get(), List.of());
      }
    } catch (NotFollowed e) {
      return new State();
    } finally {
      walker.depth = depth;
      back.run();
    }
    return during;
  }
}

package atalaya.ways.code;

import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** The types of the platform that hold others, by internal name. */
public final class HoldingTypes {
  private static final Set<String> COLLECTIONS =
      Set.of(
          "java/util/Collection",
          "java/util/List",
          "java/util/Set",
          "java/util/SortedSet",
          "java/util/NavigableSet",
          "java/util/Queue",
          "java/util/Deque",
          "java/lang/Iterable",
          "java/util/ArrayList",
          "java/util/LinkedList",
          "java/util/ArrayDeque",
          "java/util/HashSet",
          "java/util/LinkedHashSet",
          "java/util/TreeSet");

  private static final Set<String> MAPS =
      Set.of(
          "java/util/Map",
          "java/util/SortedMap",
          "java/util/NavigableMap",
          "java/util/HashMap",
          "java/util/LinkedHashMap",
          "java/util/EnumMap",
          "java/util/TreeMap",
          "java/util/concurrent/ConcurrentMap",
          "java/util/concurrent/ConcurrentHashMap",
          "java/util/concurrent/ConcurrentSkipListMap");

  private static final String PACKAGE = "java/util/concurrent/atomic/";

  /** What holds nothing when it is made, whatever it is made of. */
  private static final Set<String> OF_THREADS =
      Set.of("java/lang/ThreadLocal", "java/lang/InheritableThreadLocal");

  /** What holders of one value hold, by internal name. */
  private static final Map<String, String> HELD =
      Map.of(
          PACKAGE + "AtomicBoolean",
          "Z",
          PACKAGE + "AtomicInteger",
          "I",
          PACKAGE + "AtomicLong",
          "J",
          PACKAGE + "AtomicReference",
          "Ljava/lang/Object;",
          "java/lang/ThreadLocal",
          "Ljava/lang/Object;",
          "java/lang/InheritableThreadLocal",
          "Ljava/lang/Object;");

  /** What changes how many elements there are. */
  private static final Pattern WRITING =
      Pattern.compile(
          "(add|offer|push|pop|poll|put|merge|compute|remove|retain|clear|drain|take).*");

  /** What leaves a holder as it is. */
  private static final Pattern READING_HOLDERS =
      Pattern.compile("<init>|get(Plain|Acquire|Opaque)?|\\w+Value|toString|withInitial");

  private static final Set<String> TAKING_TEXT =
      Set.of(
          "java/lang/Appendable",
          "java/io/Writer",
          "java/io/StringWriter",
          "java/io/PrintWriter",
          "java/io/OutputStream",
          "java/io/ByteArrayOutputStream",
          "java/io/PrintStream");

  private static final Pattern WRITING_TEXT = Pattern.compile("append|format|print.*|write.*");

  private HoldingTypes() {}

  public static boolean isCollection(String type) {
    return COLLECTIONS.contains(type);
  }

  public static boolean isMap(String type) {
    return MAPS.contains(type);
  }

  /** Whether something of a type may hold several others. */
  public static boolean holdsSeveral(String type) {
    return isCollection(type) || isMap(type);
  }

  /** Whether something of a type holds one value. */
  public static boolean isHolder(String type) {
    return HELD.containsKey(type);
  }

  /** The descriptor of the one value that something of a type holds; {@code null} for others. */
  public static String heldBy(String type) {
    return HELD.get(type);
  }

  /** Whether a holder can be made so that it holds something. */
  public static boolean isMadeOfValue(String holder) {
    return !OF_THREADS.contains(holder);
  }

  /** Whether a method by its name changes how many something holds. */
  public static boolean isWriting(String name) {
    return WRITING.matcher(name).matches();
  }

  /** Whether a call changes what something holds. */
  public static boolean isWriting(String owner, String name) {
    return owner.startsWith("java/util/") && isWriting(name) || isWritingHolder(owner, name);
  }

  /** Whether a call puts letters or bytes into what takes them. */
  public static boolean isWritingText(String owner, String name) {
    return TAKING_TEXT.contains(owner) && WRITING_TEXT.matcher(name).matches();
  }

  /** Whether a call changes what a holder of one value holds. */
  static boolean isWritingHolder(String owner, String name) {
    boolean isHolders = owner.startsWith(PACKAGE) || OF_THREADS.contains(owner);
    return isHolders && !READING_HOLDERS.matcher(name).matches();
  }
}

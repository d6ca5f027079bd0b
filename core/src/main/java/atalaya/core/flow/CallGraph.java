package atalaya.core.flow;

import atalaya.core.code.Call;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Flow;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Who calls whom in the project: a call may be answered by the named method and by whatever
 * overrides it (class hierarchy analysis; Dean, Grove, Chambers 1995).
 */
public final class CallGraph {
  private static final Set<String> PLAIN_SUPERTYPES =
      Set.of(
          "java.lang.Object",
          "java.lang.Record",
          "java.lang.Enum",
          "java.lang.Cloneable",
          "java.io.Serializable");
  private static final Set<String> OF_EVERY_OBJECT =
      Set.of(
          "equals(Ljava/lang/Object;)Z",
          "hashCode()I",
          "toString()Ljava/lang/String;",
          "finalize()V",
          "clone()Ljava/lang/Object;");

  /** Where programs and agents start, and what serialization looks for by its name. */
  private static final Set<String> OF_THE_PLATFORM =
      Set.of(
          "main([Ljava/lang/String;)V",
          "main()V",
          "premain(Ljava/lang/String;Ljava/lang/instrument/Instrumentation;)V",
          "premain(Ljava/lang/String;)V",
          "agentmain(Ljava/lang/String;Ljava/lang/instrument/Instrumentation;)V",
          "agentmain(Ljava/lang/String;)V",
          "readObject(Ljava/io/ObjectInputStream;)V",
          "readObjectNoData()V",
          "readResolve()Ljava/lang/Object;",
          "writeObject(Ljava/io/ObjectOutputStream;)V",
          "writeReplace()Ljava/lang/Object;");

  private final List<CodeClass> classes;
  private final Map<String, Integer> indexOf = new HashMap<>();
  private final Map<Integer, List<Integer>> subclasses = new HashMap<>();
  private final Map<String, List<Site>> callers = new HashMap<>();
  private final List<List<Site>> sites = new ArrayList<>();
  private final Map<String, String> names = new HashMap<>();
  private final Set<String> constants = new HashSet<>();

  /**
   * A place where a method is called.
   *
   * @param type the index of the class that it stands in
   * @param targets the methods that may answer, as {@link #name}
   */
  public record Site(int type, int node, Set<String> targets) {}

  private CallGraph(List<CodeClass> classes) {
    this.classes = classes;
  }

  /** Of the classes of a project. */
  public static CallGraph of(List<CodeClass> classes) {
    CallGraph graph = new CallGraph(classes);
    for (int i = 0; i < classes.size(); i++) {
      graph.indexOf.put(classes.get(i).name(), i);
      graph.constants.addAll(classes.get(i).flow().constants());
    }
    for (int i = 0; i < classes.size(); i++) {
      for (String above : classes.get(i).flow().supertypes()) {
        Integer index = graph.indexOf.get(above);
        if (index != null) {
          graph.subclasses.computeIfAbsent(index, s -> new ArrayList<>()).add(i);
        }
      }
    }
    for (int i = 0; i < classes.size(); i++) {
      graph.sites.add(graph.sitesOf(i));
    }
    return graph;
  }

  private List<Site> sitesOf(int type) {
    List<Site> all = new ArrayList<>();
    for (Call call : classes.get(type).flow().calls()) {
      Set<String> targets = Set.copyOf(targets(call));
      if (!targets.isEmpty()) {
        Site site = new Site(type, call.node(), targets);
        all.add(site);
        targets.forEach(t -> callers.computeIfAbsent(t, c -> new ArrayList<>()).add(site));
      }
    }
    return all;
  }

  private Set<String> targets(Call call) {
    Set<String> targets = new HashSet<>();
    Integer owner = indexOf.get(call.owner());
    if (owner != null) {
      inherited(owner, call.method(), targets, new HashSet<>());
      if (call.isVirtual()) {
        overriding(owner, call.method(), targets, new HashSet<>());
      }
    }
    return targets;
  }

  private boolean declares(int type, String method) {
    return classes.get(type).flow().entries().containsKey(method);
  }

  private void inherited(int type, String method, Set<String> targets, Set<Integer> seen) {
    if (!seen.add(type)) {
      return;
    }
    if (declares(type, method)) {
      targets.add(shared(classes.get(type).name(), method));
      return;
    }
    for (String above : classes.get(type).flow().supertypes()) {
      Integer index = indexOf.get(above);
      if (index != null) {
        inherited(index, method, targets, seen);
      }
    }
  }

  private void overriding(int type, String method, Set<String> targets, Set<Integer> seen) {
    for (int below : subclasses.getOrDefault(type, List.of())) {
      if (seen.add(below)) {
        if (declares(below, method)) {
          targets.add(shared(classes.get(below).name(), method));
        } else {
          inherited(below, method, targets, new HashSet<>());
        }
        overriding(below, method, targets, seen);
      }
    }
  }

  /** Large projects have many more calls than methods. */
  private String shared(String className, String method) {
    return names.computeIfAbsent(name(className, method), name -> name);
  }

  /** How a method is called here. */
  public static String name(String className, String method) {
    return className + "#" + method;
  }

  /** The places where a method is called. */
  public List<Site> callers(String name) {
    return callers.getOrDefault(name, List.of());
  }

  /**
   * The methods of which every call stands in some code, or in other such methods.
   *
   * @param type the index of the class that the code stands in
   * @param nodes of the code
   * @param among the methods that count
   */
  public Set<String> calledOnlyFrom(int type, BitSet nodes, Set<String> among) {
    Set<String> found = new HashSet<>();
    Map<String, Integer> open = new HashMap<>();
    List<Site> waiting = new ArrayList<>();
    sites.get(type).stream().filter(site -> nodes.get(site.node())).forEach(waiting::add);
    while (!waiting.isEmpty()) {
      Site site = waiting.remove(waiting.size() - 1);
      for (String target : site.targets()) {
        if (among.contains(target)
            && !mayBeCalledOutside(target)
            && open.merge(target, callers(target).size() - 1, (left, x) -> left - 1) == 0
            && found.add(target)) {
          waiting.addAll(sitesIn(target));
        }
      }
    }
    return found;
  }

  /**
   * Whether code outside of the project may call a method by a type of its own: the class has
   * supertypes that are not the project's, or it is one of every object's methods.
   */
  public boolean mayBeCalledOutside(String name) {
    int split = name.indexOf('#');
    String method = name.substring(split + 1);
    return !method.startsWith("<init>")
        && (OF_EVERY_OBJECT.contains(method) || hasForeignSupertype(name.substring(0, split)));
  }

  /**
   * Whether nothing that is known here ever calls a method: no code of the project, no type of its
   * own that other code may use, no annotation by which it may be found, no constant that names it
   * or its class; and the platform does not look for its name.
   */
  public boolean isUnused(String name) {
    int split = name.indexOf('#');
    String type = name.substring(0, split);
    String method = name.substring(split + 1);
    Integer index = indexOf.get(type);
    return index != null
        && declares(index, method)
        && !method.startsWith("<")
        && !OF_THE_PLATFORM.contains(method)
        && callers(name).isEmpty()
        && !mayBeCalledOutside(name)
        && !classes.get(index).flow().annotated().contains(method)
        && !constants.contains(method.substring(0, method.indexOf('(')))
        && !constants.contains(type);
  }

  private boolean hasForeignSupertype(String type) {
    Integer index = indexOf.get(type);
    return index == null
        ? !PLAIN_SUPERTYPES.contains(type)
        : classes.get(index).flow().supertypes().stream().anyMatch(this::hasForeignSupertype);
  }

  private List<Site> sitesIn(String method) {
    int split = method.indexOf('#');
    int type = indexOf.get(method.substring(0, split));
    Flow flow = classes.get(type).flow();
    int entry = flow.entries().get(method.substring(split + 1));
    int end =
        flow.entries().values().stream()
            .mapToInt(Integer::intValue)
            .filter(other -> other > entry)
            .min()
            .orElse(flow.nodes());
    return sites.get(type).stream()
        .filter(site -> site.node() >= entry && site.node() < end)
        .toList();
  }
}

package atalaya.ways.code;

import atalaya.points.PointVisitor;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/** The class files of a project: who is above whom, who calls whom, and the code itself. */
public final class CodeBase {
  /**
   * A method.
   *
   * @param type the internal name of its class
   * @param code name and descriptor
   */
  public record Ref(String type, String code) {
    /** Its name without parameters. */
    public String name() {
      return code.substring(0, code.indexOf('('));
    }

    /** Its descriptor. */
    public String descriptor() {
      return code.substring(code.indexOf('('));
    }
  }

  /** What is known of a class without its code. */
  private record Outline(
      int access,
      String superName,
      List<String> interfaces,
      Map<String, Integer> methods,
      Map<String, List<String>> exceptions,
      Map<String, List<Ref>> calls,
      Set<String> halting) {}

  private final Map<String, byte[]> bytes;
  private final Function<String, Optional<byte[]>> libraries;
  private final Map<String, Outline> outlines = new ConcurrentHashMap<>();
  private final Map<String, List<String>> below = new HashMap<>();
  private final Map<Ref, List<Ref>> callers = new HashMap<>();
  private final Set<Ref> halting = new HashSet<>();

  /** The static methods and fields of libraries that the project's code uses, by what they give. */
  private final Map<String, Set<Ref>> taken = new ConcurrentHashMap<>();

  /** Classes of libraries that the project's code makes, or asks whether something is one. */
  private final Set<String> mentioned = ConcurrentHashMap.newKeySet();

  private final Map<String, Map<String, Ref>> named = new ConcurrentHashMap<>();
  private final Map<String, Optional<ClassCode>> codes = new ConcurrentHashMap<>();

  /** So many methods are looked at for whether one of them does something. */
  private static final int MOST_CALLED = 60;

  private final Exceptions exceptions = new Exceptions(this);

  /** What answers calls, those by which others may be called first: looked up once. */
  private final Map<Boolean, Map<Ref, Optional<Ref>>> answering =
      Map.of(true, new ConcurrentHashMap<>(), false, new ConcurrentHashMap<>());

  private final Throwers throwers;
  private final LibraryCode libraryCode = new LibraryCode(this);
  private final Map<Ref, Boolean> refusing = new ConcurrentHashMap<>();
  private final Map<Ref, Boolean> writing = new ConcurrentHashMap<>();
  private final Map<Ref, ChangedFields> changed = new ConcurrentHashMap<>();

  private final Map<Boolean, Map<Ref, Optional<Ref>>> likely =
      Map.of(true, new ConcurrentHashMap<>(), false, new ConcurrentHashMap<>());

  private CodeBase(Map<String, byte[]> bytes, Function<String, Optional<byte[]>> libraries) {
    this.bytes = bytes;
    this.libraries = libraries;
    this.throwers = new Throwers(this, outlines.keySet());
  }

  /**
   * Of a project.
   *
   * @param classFiles by internal name; what can't be read is left out
   * @param libraries the class files of what it uses, by internal name
   */
  public static CodeBase of(
      Map<String, byte[]> classFiles, Function<String, Optional<byte[]>> libraries) {
    CodeBase base = new CodeBase(classFiles, libraries);
    classFiles.entrySet().parallelStream()
        .forEach(e -> base.outline(e.getValue()).ifPresent(o -> base.outlines.put(e.getKey(), o)));
    List<String> names = base.outlines.keySet().stream().sorted().toList();
    for (String name : names) {
      Outline outline = base.outlines.get(name);
      base.isBelow(name, outline.superName());
      outline.interfaces().forEach(above -> base.isBelow(name, above));
    }
    for (String name : names) {
      base.outlines.get(name).calls().forEach((code, of) -> base.calls(new Ref(name, code), of));
    }
    base.findHalting(names);
    return base;
  }

  private void calls(Ref caller, List<Ref> called) {
    for (Ref ref : called) {
      declaring(ref)
          .ifPresent(found -> callers.computeIfAbsent(found, f -> new ArrayList<>(1)).add(caller));
    }
  }

  private void findHalting(List<String> names) {
    Deque<Ref> found = new ArrayDeque<>();
    for (String name : names) {
      outlines.get(name).halting().forEach(code -> found.add(new Ref(name, code)));
    }
    while (!found.isEmpty()) {
      Ref method = found.remove();
      if (halting.add(method)) {
        found.addAll(callers.getOrDefault(method, List.of()));
      }
    }
  }

  private void isBelow(String name, String above) {
    if (above != null && bytes.containsKey(above)) {
      below.computeIfAbsent(above, a -> new ArrayList<>()).add(name);
    }
  }

  private Optional<Outline> outline(byte[] classFile) {
    Outliner outliner = new Outliner();
    try {
      new ClassReader(classFile).accept(outliner, ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
    } catch (RuntimeException e) {
      return Optional.empty(); // Said when the run was made; its methods get no ways.
    }
    return Optional.of(outliner.outline());
  }

  private final class Outliner extends ClassVisitor {
    private final Map<String, Integer> methods = new LinkedHashMap<>();
    private final Map<String, List<String>> exceptions = new HashMap<>();
    private final Map<String, List<Ref>> calls = new LinkedHashMap<>();
    private final Set<String> halting = new HashSet<>();
    private int access;
    private String superName;
    private List<String> interfaces = List.of();

    Outliner() {
      super(PointVisitor.ASM);
    }

    Outline outline() {
      return new Outline(access, superName, interfaces, methods, exceptions, calls, halting);
    }

    @Override
    public void visit(
        int version, int access, String name, String signature, String above, String[] types) {
      this.access = access;
      this.superName = above;
      this.interfaces = List.of(types);
    }

    @Override
    public MethodVisitor visitMethod(
        int access, String name, String descriptor, String signature, String[] thrown) {
      methods.put(name + descriptor, access);
      if (thrown != null) {
        exceptions.put(name + descriptor, List.of(thrown));
      }
      Set<Ref> called = new HashSet<>();
      return new MethodVisitor(PointVisitor.ASM) {
        @Override
        public void visitMethodInsn(
            int opcode, String owner, String called, String signature, boolean onInterface) {
          add(owner, called + signature);
          if (opcode == Opcodes.INVOKESTATIC) {
            takes(Type.getReturnType(signature), new Ref(owner, called + signature));
          }
          if (Surroundings.isHalting(owner, called)) {
            halting.add(name + descriptor);
          }
        }

        @Override
        public void visitFieldInsn(int opcode, String owner, String field, String type) {
          if (opcode == Opcodes.GETSTATIC) {
            takes(Type.getType(type), new Ref(owner, field));
          }
          if (Surroundings.isHalting(owner, field)) {
            halting.add(name + descriptor);
          }
        }

        @Override
        public void visitTypeInsn(int opcode, String type) {
          if (!type.startsWith("[") && !bytes.containsKey(type) && !isOfPlatform(type)) {
            mentioned.add(type);
          }
        }

        @Override
        public void visitInvokeDynamicInsn(
            String name, String descriptor, Handle bootstrap, Object... arguments) {
          for (Object argument : arguments) {
            if (argument instanceof Handle handle && handle.getTag() >= Opcodes.H_INVOKEVIRTUAL) {
              add(handle.getOwner(), handle.getName() + handle.getDesc());
            }
          }
        }

        @Override
        public void visitEnd() {
          if (!called.isEmpty()) {
            calls.put(name + descriptor, List.copyOf(called));
          }
        }

        private void takes(Type given, Ref from) {
          boolean isOfLibrary = !bytes.containsKey(from.type()) && !isOfPlatform(from.type());
          if (isOfLibrary && given.getSort() == Type.OBJECT) {
            taken
                .computeIfAbsent(given.getInternalName(), type -> ConcurrentHashMap.newKeySet())
                .add(from);
          }
        }

        private void add(String owner, String code) {
          if (bytes.containsKey(owner)) {
            called.add(new Ref(owner, code));
          }
        }
      };
    }
  }

  /** Whether a class belongs to the project. */
  public boolean has(String type) {
    return outlines.containsKey(type);
  }

  /** Whether a class is another or extends it, as far as the project and the platform tell. */
  public boolean isA(String type, String other) {
    return exceptions.isA(type, other);
  }

  /** Whether a class of the project, or one that it extends, says that it implements another. */
  public boolean implementsInterface(String type, String wanted) {
    if (!has(type)) {
      return type.equals(wanted);
    }
    return Stream.concat(above(type).stream(), interfaces(type).stream())
        .anyMatch(above -> implementsInterface(above, wanted));
  }

  /** Whether a type is an interface, not of the project, but of a library that it uses. */
  public boolean isLibraryInterface(String type) {
    return library(type).filter(code -> code.isInterface() && code.isPublic()).isPresent();
  }

  /**
   * The static methods and fields of libraries by which the project's code has something of a type.
   */
  public Set<Ref> taken(String type) {
    return taken.getOrDefault(type, Set.of());
  }

  /** The classes of libraries that extend another one, of those that the project's code names. */
  public List<String> mentionedBelow(String type) {
    return mentioned.stream().filter(below -> extendsOther(below, type)).sorted().toList();
  }

  private boolean extendsOther(String type, String other) {
    Optional<String> above = library(type).flatMap(code -> code.supertypes().stream().findFirst());
    return above.isPresent() && (above.get().equals(other) || extendsOther(above.get(), other));
  }

  /** The code of a class, not of the project, but of a library that it uses. */
  public Optional<ClassCode> library(String type) {
    boolean isOther = has(type) || isOfPlatform(type) || type.startsWith("[");
    return isOther ? Optional.empty() : read(type);
  }

  /** The flags of a class of the project. */
  public int access(String type) {
    return outlines.get(type).access();
  }

  /** The flags of a method of the project. */
  public int access(Ref method) {
    return outlines.get(method.type()).methods().get(method.code());
  }

  /** What a class extends; empty outside of the project. */
  public Optional<String> above(String type) {
    return Optional.ofNullable(outlines.get(type)).map(Outline::superName);
  }

  /** The class and the interfaces that a class names; empty for one of the platform. */
  Optional<List<String>> supertypes(String type) {
    return isOfPlatform(type) ? Optional.empty() : read(type).map(ClassCode::supertypes);
  }

  /** The interfaces that a class of the project names. */
  public List<String> interfaces(String type) {
    return outlines.get(type).interfaces();
  }

  /** Whether a method, or what it calls, may end the JVM or wait for somebody at the keyboard. */
  public boolean isHalting(Ref method) {
    return halting.contains(method);
  }

  /** The exceptions that a method of the project declares. */
  public List<String> declared(Ref method) {
    return outlines.get(method.type()).exceptions().getOrDefault(method.code(), List.of());
  }

  /** Whether what a call names declares an exception that a handler is for. */
  public boolean declares(MethodInsnNode call, String caught) {
    return exceptions.declares(call, caught);
  }

  /** Whether a method of the project may throw an exception of the project. */
  boolean mayThrow(Ref method, String exception) {
    return throwers.mayThrow(method, exception);
  }

  /** A checked exception by which a method of the platform may refuse what it is given. */
  public Optional<String> refusing(MethodInsnNode call) {
    return exceptions.refusing(call);
  }

  /** Name and descriptor of the methods of a class, in the order of the class file. */
  public Set<String> methods(String type) {
    return outlines.get(type).methods().keySet();
  }

  /**
   * The method of a class with this name and simple parameter types.
   *
   * @param name {@code quote(Vessel,Stay)}
   */
  public Optional<Ref> named(String type, String name) {
    return Optional.ofNullable(named.computeIfAbsent(type, this::bySimpleName).get(name));
  }

  private Map<String, Ref> bySimpleName(String type) {
    Map<String, Ref> refs = new HashMap<>();
    if (has(type)) {
      methods(type).forEach(code -> refs.putIfAbsent(simple(code), new Ref(type, code)));
    }
    return refs;
  }

  private static String simple(String code) {
    int open = code.indexOf('(');
    StringBuilder simple = new StringBuilder(code.substring(0, open + 1));
    for (Type type : Type.getArgumentTypes(code.substring(open))) {
      String name = type.getClassName();
      simple.append(simple.charAt(simple.length() - 1) == '(' ? "" : ",");
      simple.append(
          name, 1 + Math.max(name.lastIndexOf('.'), name.lastIndexOf('$')), name.length());
    }
    return simple.append(')').toString();
  }

  /** Where the method that a call names is declared; empty outside of the project. */
  public Optional<Ref> declaring(Ref named) {
    Outline outline = outlines.get(named.type());
    if (outline == null) {
      return Optional.empty();
    }
    if (outline.methods().containsKey(named.code())) {
      return Optional.of(named);
    }
    List<String> above = new ArrayList<>();
    if (outline.superName() != null) {
      above.add(outline.superName());
    }
    above.addAll(outline.interfaces());
    return above.stream()
        .map(type -> declaring(new Ref(type, named.code())))
        .flatMap(Optional::stream)
        .findFirst();
  }

  /** The one method with code that answers a call; empty when there are several, or none. */
  public Optional<Ref> answering(Ref named, boolean isVirtual) {
    return has(named.type())
        ? answering.get(isVirtual).computeIfAbsent(named, n -> lookedUp(n, isVirtual))
        : Optional.empty();
  }

  private Optional<Ref> lookedUp(Ref named, boolean isVirtual) {
    Optional<Ref> found = declaring(named);
    if (isVirtual) {
      Set<Ref> all = new HashSet<>();
      found.ifPresent(all::add);
      overriding(named.type(), named.code(), all);
      all.removeIf(ref -> (access(ref) & Opcodes.ACC_ABSTRACT) != 0);
      found = all.size() == 1 ? Optional.of(all.iterator().next()) : Optional.empty();
      boolean mayBeForeign = mayBeImplementedElsewhere(named.type());
      found = mayBeForeign && !all.contains(named) ? Optional.empty() : found;
    }
    return found.filter(ref -> (access(ref) & (Opcodes.ACC_ABSTRACT | Opcodes.ACC_NATIVE)) == 0);
  }

  /**
   * The one method of the project that answers a call where no test puts something in its place.
   */
  public Optional<Ref> likely(Ref named, boolean isVirtual) {
    return has(named.type())
        ? likely.get(isVirtual).computeIfAbsent(named, n -> likeliest(n, isVirtual))
        : Optional.empty();
  }

  private Optional<Ref> likeliest(Ref named, boolean isVirtual) {
    Set<Ref> all = new HashSet<>();
    declaring(named).ifPresent(all::add);
    if (isVirtual) {
      overriding(named.type(), named.code(), all);
    }
    all.removeIf(ref -> (access(ref) & (Opcodes.ACC_ABSTRACT | Opcodes.ACC_NATIVE)) != 0);
    return all.size() == 1 ? Optional.of(all.iterator().next()) : Optional.empty();
  }

  /** Interfaces and abstract classes are what tests put something of their own in place of. */
  private boolean mayBeImplementedElsewhere(String type) {
    return (access(type) & (Opcodes.ACC_INTERFACE | Opcodes.ACC_ABSTRACT)) != 0;
  }

  private void overriding(String type, String code, Set<Ref> into) {
    for (String sub : below(type)) {
      if (outlines.get(sub).methods().containsKey(code)) {
        into.add(new Ref(sub, code));
      }
      overriding(sub, code, into);
    }
  }

  /** What extends or implements a class of the project, right below it. */
  public List<String> below(String type) {
    return below.getOrDefault(type, List.of());
  }

  /** A class of the project with all of it that is above and below. */
  public Set<String> family(String type) {
    Set<String> family = new LinkedHashSet<>(List.of(type));
    above(type, family);
    below(type, family);
    return family;
  }

  /** A class with all of the project that extends or implements it. */
  public Set<String> orBelow(String type) {
    Set<String> all = new LinkedHashSet<>(List.of(type));
    below(type, all);
    return all;
  }

  private void above(String type, Set<String> into) {
    if (has(type)) {
      Stream.concat(above(type).stream(), interfaces(type).stream())
          .filter(this::has)
          .filter(into::add)
          .forEach(above -> above(above, into));
    }
  }

  private void below(String type, Set<String> into) {
    below(type).stream().filter(into::add).forEach(below -> below(below, into));
  }

  /** Whether something of a type can only be had as a double, or by a subclass. */
  public boolean isAbstract(String type) {
    return has(type) && mayBeImplementedElsewhere(type);
  }

  /** Whether nothing extends a class of the project, nor may. */
  public boolean isFinal(String type) {
    return has(type) && (access(type) & Opcodes.ACC_FINAL) != 0;
  }

  /** The methods whose code calls a method by name, those of lambdas among them. */
  public List<Ref> callers(Ref method) {
    return callers.getOrDefault(method, List.of()).stream()
        .distinct()
        .sorted(Comparator.comparing(Ref::type).thenComparing(Ref::code))
        .toList();
  }

  /** The methods of the project that a method's code calls, where one alone can answer. */
  public List<Ref> called(Ref method) {
    Outline outline = outlines.get(method.type());
    List<Ref> named =
        outline == null ? List.of() : outline.calls().getOrDefault(method.code(), List.of());
    return named.stream()
        .map(
            ref ->
                answering(ref, true)
                    .or(
                        () ->
                            answering(ref, false).filter(of -> isExact(of) || isAbove(of, method))))
        .flatMap(Optional::stream)
        .distinct()
        .toList();
  }

  /** Whether it is of a class above the caller's, which names that only where it skips its own. */
  private boolean isAbove(Ref called, Ref method) {
    return !called.type().equals(method.type()) && isA(method.type(), called.type());
  }

  private boolean isExact(Ref ref) {
    return (access(ref) & (Opcodes.ACC_STATIC | Opcodes.ACC_PRIVATE)) != 0
        || ref.code().startsWith("<init>");
  }

  /** The static methods that make objects of a class: its own, and those of the one around it. */
  public List<MethodCode> factories(ClassCode of) {
    return Stream.concat(Stream.of(of), of.within().flatMap(this::code).stream())
        .flatMap(code -> code.factories(of.name(), of.isHidden()).stream())
        .toList();
  }

  /** The methods by which objects of classes that stand in a class give one of it. */
  public List<MethodCode> builders(ClassCode of) {
    return of.inner().stream()
        .filter(type -> has(type) && !isAbstract(type))
        .flatMap(type -> code(type).stream())
        .flatMap(inner -> inner.makersOf(of.name()).stream())
        .toList();
  }

  /** The code of a class of the project. */
  public Optional<ClassCode> code(String type) {
    return bytes.containsKey(type) ? read(type) : Optional.empty();
  }

  /** What handlers of a class are for may be known only by reading others meanwhile. */
  private Optional<ClassCode> read(String type) {
    Optional<ClassCode> known = codes.get(type);
    if (known != null) {
      return known;
    }
    Optional<ClassCode> read =
        Optional.ofNullable(bytes.get(type))
            .or(() -> isOfPlatform(type) ? Optional.empty() : libraries.apply(type))
            .flatMap(file -> ClassCode.read(file, exceptions));
    Optional<ClassCode> first = codes.putIfAbsent(type, read);
    return first == null ? read : first;
  }

  /** Whether no library can have a class: the JVM takes these from nowhere else. */
  private static boolean isOfPlatform(String type) {
    return type.startsWith("java/");
  }

  /** Whether somewhere in a method, or in what it calls of the project, something new is thrown. */
  public boolean mayRefuse(MethodCode code) {
    return refusing.computeIfAbsent(code.ref(), ref -> does(code, MethodCode::mayRefuse));
  }

  /**
   * Whether in a method, or in what it calls of the project, an exception is thrown that a handler
   * is for; always where that is for others than checked ones.
   */
  public boolean mayRefuseBy(MethodCode code, String caught) {
    return !exceptions.isChecked(caught)
        || does(
            code,
            method ->
                method.refusals().stream().anyMatch(one -> isA(one, caught) || isA(caught, one)));
  }

  /** Whether a method of a library may end by an exception of its own, as far as is known. */
  public boolean mayLibraryRefuse(MethodInsnNode call) {
    return !isOfPlatform(call.owner)
        && libraryCode.mayRefuse(new Ref(call.owner, call.name + call.desc));
  }

  /** Whether a method, or what it calls of the project, changes containers of the platform. */
  public boolean mayWrite(MethodCode code) {
    return writing.computeIfAbsent(code.ref(), ref -> does(code, MethodCode::writes));
  }

  /** The fields that a method, or what it calls of the project, may change. */
  public ChangedFields changed(MethodCode code) {
    return changed.computeIfAbsent(
        code.ref(),
        ref -> {
          Set<ChangedFields.Field> all = new LinkedHashSet<>();
          does(
              code,
              method -> {
                all.addAll(method.changed());
                return false;
              });
          return new ChangedFields(all);
        });
  }

  private boolean does(MethodCode code, Predicate<MethodCode> something) {
    return does(code, something, new HashSet<>(Set.of(code.ref())));
  }

  private boolean does(MethodCode code, Predicate<MethodCode> something, Set<Ref> known) {
    return something.test(code)
        || code.called().stream()
            .flatMap(called -> likely(called, true).stream())
            .filter(called -> known.size() < MOST_CALLED && known.add(called))
            .flatMap(called -> code(called).stream())
            .anyMatch(called -> does(called, something, known));
  }

  /** All points of outcomes, lines and handlers in a method, and in the lambdas that it makes. */
  public BitSet points(MethodCode code) {
    BitSet points = (BitSet) code.allPoints().clone();
    for (int making : code.graph().lambdas()) {
      code.lambdas(making).forEach(body -> code(body).map(this::points).ifPresent(points::or));
    }
    return points;
  }

  /** The code of a method, of the project or of what it uses. */
  public Optional<MethodCode> code(Ref method) {
    return read(method.type()).flatMap(code -> code.method(method.code()));
  }
}

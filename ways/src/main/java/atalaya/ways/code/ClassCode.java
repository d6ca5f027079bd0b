package atalaya.ways.code;

import atalaya.core.term.EnumValue;
import atalaya.java.bytecode.ClassFileReader;
import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.FieldVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.FieldNode;
import org.objectweb.asm.tree.InnerClassNode;
import org.objectweb.asm.tree.MethodNode;

/** The code of one class. */
public final class ClassCode {
  /** In the signature of what takes or gives anything, which is not what is asked for. */
  private static final String OF_ANYTHING = "*";

  /** In the signature of what takes and gives the same, which is not what is asked for either. */
  private static final Pattern OF_ONE_TYPE = Pattern.compile("<T(\\w+);T\\1;");

  private final byte[] bytes;
  private final ClassNode node;
  private final Map<String, MethodCode> methods = new LinkedHashMap<>();
  private final Map<String, FieldNode> fields = new HashMap<>();
  private final List<EnumValue> constants = new ArrayList<>();
  private volatile Map<String, Map<Integer, String>> enumMaps;
  private volatile Set<String> changed;

  private final Exceptions exceptions;

  private ClassCode(byte[] bytes, Exceptions exceptions) {
    this.bytes = bytes;
    this.exceptions = exceptions;
    this.node = new ClassNode(PointVisitor.ASM);
  }

  /**
   * Reads one.
   *
   * @param exceptions what can lead to handlers
   */
  static Optional<ClassCode> read(byte[] bytes, Exceptions exceptions) {
    ClassCode code = new ClassCode(bytes, exceptions);
    try {
      new ClassReader(bytes).accept(code.new Reader(), ClassReader.SKIP_FRAMES);
    } catch (RuntimeException e) {
      return Optional.empty(); // Said when the run was made; its methods get no ways.
    }
    return Optional.of(code);
  }

  private final class Reader extends org.objectweb.asm.ClassVisitor {
    private final PointVisitor.Counter counter = new PointVisitor.Counter();

    Reader() {
      super(PointVisitor.ASM, node);
    }

    @Override
    public FieldVisitor visitField(
        int access, String name, String descriptor, String signature, Object value) {
      fields.put(name, new FieldNode(access, name, descriptor, signature, value));
      if ((access & Opcodes.ACC_ENUM) != 0) {
        constants.add(new EnumValue(node.name, name, constants.size()));
      }
      return null;
    }

    @Override
    public MethodVisitor visitMethod(
        int access, String name, String descriptor, String signature, String[] thrown) {
      MethodNode method =
          new MethodNode(PointVisitor.ASM, access, name, descriptor, signature, thrown);
      return new MethodReader(
          node.name, method, counter, exceptions, code -> methods.put(name + descriptor, code));
    }
  }

  /** The internal name. */
  public String name() {
    return node.name;
  }

  /** The class that it extends and the interfaces that it names. */
  List<String> supertypes() {
    return Stream.concat(Stream.ofNullable(node.superName), node.interfaces.stream()).toList();
  }

  /** A method by its name and descriptor, one after the other. */
  public Optional<MethodCode> method(String code) {
    return Optional.ofNullable(methods.get(code)).filter(MethodCode::hasCode);
  }

  /** Whether a method is written in another language, and has to be linked to be called. */
  boolean isNative(String code) {
    return Optional.ofNullable(methods.get(code))
        .filter(method -> (method.node().access & Opcodes.ACC_NATIVE) != 0)
        .isPresent();
  }

  /** The types of a method as its source has them, where they say more than its descriptor. */
  public Optional<String> signature(String code) {
    return Optional.ofNullable(methods.get(code)).map(method -> method.node().signature);
  }

  /** The fields that the class itself declares, by name. */
  public Stream<FieldNode> fields() {
    return fields.values().stream().sorted(Comparator.comparing(field -> field.name));
  }

  /** A field that the class itself declares. */
  public Optional<FieldNode> field(String name) {
    return Optional.ofNullable(fields.get(name));
  }

  /** Those that a person wrote, or would have. */
  public List<MethodCode> constructors() {
    return methods.values().stream()
        .filter(m -> m.node().name.equals("<init>"))
        .filter(m -> (m.node().access & Opcodes.ACC_SYNTHETIC) == 0)
        .toList();
  }

  /**
   * The static methods that make an object of a class, and decide nothing.
   *
   * @param asOther whether they may say that they give something of another type
   */
  List<MethodCode> factories(String type, boolean asOther) {
    return methods.values().stream()
        .filter(method -> (method.node().access & Opcodes.ACC_SYNTHETIC) == 0)
        .filter(method -> asOther ? method.givesAsOther(type) : method.gives(type))
        .toList();
  }

  /** The class of the object that one of an inner class is made in; empty for other classes. */
  public Optional<String> outer() {
    return itself()
        .filter(inner -> inner.outerName != null)
        .filter(inner -> (inner.access & (Opcodes.ACC_STATIC | Opcodes.ACC_INTERFACE)) == 0)
        .map(inner -> inner.outerName);
  }

  /** The methods of objects of the class that give one of another, without being given anything. */
  List<MethodCode> makersOf(String type) {
    return methods.values().stream()
        .filter(method -> !method.isStatic() && method.node().desc.equals("()L" + type + ";"))
        .filter(method -> (method.node().access & Opcodes.ACC_SYNTHETIC) == 0)
        .toList();
  }

  /** The classes that stand in it, by internal name. */
  List<String> inner() {
    return node.innerClasses.stream()
        .filter(inner -> node.name.equals(inner.outerName))
        .map(inner -> inner.name)
        .toList();
  }

  /** What gives an object of the class to a test without being given anything, as code has it. */
  public Optional<String> instance(Visibility visible) {
    String type = "()L" + node.name + ";";
    return constant(visible)
        .or(
            () ->
                methods.values().stream()
                    .map(MethodCode::node)
                    .filter(m -> m.desc.equals(type) && isOpenStatic(m.access, visible))
                    .filter(m -> m.signature == null || !OF_ONE_TYPE.matcher(m.signature).find())
                    .map(m -> m.name + "()")
                    .findFirst());
  }

  /** The static field with an object of the class that a test sees. */
  private Optional<String> constant(Visibility visible) {
    String type = "L" + node.name + ";";
    return fields.values().stream()
        .filter(f -> f.desc.equals(type) && isOpenStatic(f.access, visible))
        .filter(f -> f.signature == null || !f.signature.contains(OF_ANYTHING))
        .map(f -> f.name)
        .findFirst();
  }

  private boolean isOpenStatic(int access, Visibility visible) {
    return (access & Opcodes.ACC_STATIC) != 0 && visible.sees(node.name, access);
  }

  /** The constants of an enum, in order; empty for other classes. */
  public List<EnumValue> constants() {
    return constants;
  }

  public boolean isEnum() {
    return (node.access & Opcodes.ACC_ENUM) != 0;
  }

  /** Whether code outside of its source file can't name it: private, local or without a name. */
  public boolean isHidden() {
    return node.outerMethod != null
        || itself()
            .filter(inner -> inner.outerName == null || (inner.access & Opcodes.ACC_PRIVATE) != 0)
            .isPresent();
  }

  public boolean isInterface() {
    return (node.access & Opcodes.ACC_INTERFACE) != 0;
  }

  public boolean isAbstract() {
    return (node.access & Opcodes.ACC_ABSTRACT) != 0;
  }

  /** Whether it is public; of one within another, as it is declared there. */
  public boolean isPublic() {
    int access = itself().map(inner -> inner.access).orElse(node.access);
    return (access & Opcodes.ACC_PUBLIC) != 0;
  }

  /** The static final fields that a test may use. */
  public List<String> constants(Visibility visible) {
    return fields.values().stream()
        .filter(field -> isOpenStatic(field.access, visible) && isFinal(field))
        .map(field -> field.name)
        .sorted()
        .toList();
  }

  /** The class around it; empty for one that is within none. */
  public Optional<String> around() {
    return itself().map(inner -> inner.outerName);
  }

  /** The class in which its code stands, also where it has no name; empty for one within none. */
  public Optional<String> within() {
    return around().or(() -> Optional.ofNullable(node.outerClass));
  }

  private Optional<InnerClassNode> itself() {
    return node.innerClasses.stream().filter(inner -> inner.name.equals(node.name)).findFirst();
  }

  /** For an array that turns enum constants into switch keys, the constants by key. */
  public Map<Integer, String> enumMap(String field) {
    if (enumMaps == null) {
      enumMaps = ClassFileReader.read(bytes, type -> false).enumMaps();
    }
    return enumMaps.getOrDefault(node.name.replace('/', '.') + "." + field, Map.of());
  }

  /** Whether a field is written outside of constructors. */
  public boolean changes(String field) {
    if (changed == null) {
      Set<String> found = new HashSet<>();
      methods.values().stream()
          .filter(method -> !method.node().name.startsWith("<"))
          .forEach(method -> found.addAll(method.written()));
      changed = found;
    }
    return changed.contains(field);
  }

  /** The methods that write a field, or put something into what it holds; no constructors. */
  public List<MethodCode> writers(String field) {
    return methods.values().stream()
        .filter(method -> !method.node().name.startsWith("<"))
        .filter(method -> !method.setting(field).isEmpty())
        .toList();
  }

  /** Whether a field never changes once it is set. */
  public static boolean isFinal(FieldNode field) {
    return (field.access & Opcodes.ACC_FINAL) != 0;
  }
}

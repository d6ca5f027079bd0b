package atalaya.trial.find;

import static java.nio.charset.StandardCharsets.UTF_8;

import atalaya.core.code.PlaceName;
import atalaya.core.mutant.Mutant;
import atalaya.java.match.CodePlace;
import atalaya.points.Hash;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import atalaya.trial.plant.Replacement;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.MethodNode;

/** Finds the mutants of one class. */
public final class MutantFinder {
  private final String path;
  private final String source;
  private final int[] lineStarts;
  private final ClassNode type;
  private final Map<String, MethodNode> methods = new HashMap<>();
  private final Map<String, AbstractInsnNode[]> instructions = new HashMap<>();
  private final Map<String, Integer> alike = new HashMap<>();
  private final Map<Long, Set<AbstractInsnNode>> destinations = new HashMap<>();
  private final Set<String> prints = new HashSet<>();
  private final Map<String, String> hashes = new HashMap<>();

  private MutantFinder(byte[] classFile, String path, String source) {
    this.path = path;
    this.source = source;
    this.lineStarts = lineStarts(source);
    this.type = ClassPlanter.read(classFile);
    for (MethodNode method : type.methods) {
      String key = method.name + method.desc;
      methods.put(key, method);
      List<AbstractInsnNode> found = new ArrayList<>();
      for (AbstractInsnNode node : method.instructions) {
        if (node.getOpcode() >= 0) {
          found.add(node);
        }
      }
      instructions.put(key, found.toArray(AbstractInsnNode[]::new));
    }
  }

  /**
   * The mutants, in the order of the source. Each differs in its code from the original and from
   * every other.
   *
   * @param places what stands where in the class file
   * @param path of the source file
   * @param source its text
   */
  public static List<PlantableMutant> find(
      byte[] classFile, List<CodePlace> places, String path, String source) {
    return new MutantFinder(classFile, path, source).find(places);
  }

  private List<PlantableMutant> find(List<CodePlace> places) {
    Map<Object, List<CodeSpot>> copies = new LinkedHashMap<>();
    for (CodePlace place : places) {
      CodeSpot spot =
          new CodeSpot(
              place,
              type,
              methods.get(place.code()),
              instructions.get(place.code())[place.instruction()]);
      copies.computeIfAbsent(key(place), k -> new ArrayList<>()).add(spot);
    }
    List<Found> found = new ArrayList<>();
    copies.values().forEach(spots -> variations(spots.get(0)).forEach(v -> add(v, spots, found)));
    found.sort(
        Comparator.comparingLong((Found f) -> f.variation().start())
            .thenComparingLong(f -> f.variation().end()));
    List<PlantableMutant> mutants = new ArrayList<>();
    for (Found at : found) {
      mutants.add(mutant(at));
    }
    return mutants;
  }

  private record Found(Variation variation, String method, List<PlantableMutant.Place> places) {}

  private static Object key(CodePlace place) {
    if (place instanceof CodePlace.Operation operation) {
      return operation.operation();
    }
    return place instanceof CodePlace.Jump jump
        ? jump.condition()
        : ((CodePlace.Switch) place).condition();
  }

  private List<Variation> variations(CodeSpot spot) {
    if (spot.place() instanceof CodePlace.Operation) {
      return new Operations(source).of(spot);
    }
    return spot.place() instanceof CodePlace.Jump
        ? new Conditions(source).of(spot)
        : new Switches(source).of(spot);
  }

  private void add(Variation variation, List<CodeSpot> spots, List<Found> to) {
    List<PlantableMutant.Place> places = new ArrayList<>();
    for (CodeSpot spot : spots) {
      Replacement replacement = variation.replacement().apply(spot);
      if (replacement != null) {
        places.add(
            new PlantableMutant.Place(
                spot.place().code(), spot.place().instruction(), spot.place().line(), replacement));
      }
    }
    if (!places.isEmpty()
        && !goesWhereAnotherGoes(spots.get(0), places.get(0).replacement())
        && isNew(places)) {
      to.add(new Found(variation, spots.get(0).place().method(), places));
    }
  }

  /**
   * Of the operands of one expression the first that is replaced by a constant decides for those
   * after it whose replacement would lead to the same place.
   */
  private boolean goesWhereAnotherGoes(CodeSpot spot, Replacement replacement) {
    if (!(spot.place() instanceof CodePlace.Jump jump)) {
      return false;
    }
    AbstractInsnNode destination = Conditions.destination(spot, replacement);
    return destination != null
        && !destinations
            .computeIfAbsent(jump.condition().decision(), d -> new HashSet<>())
            .add(destination);
  }

  private boolean isNew(List<PlantableMutant.Place> places) {
    ByteArrayOutputStream print = new ByteArrayOutputStream();
    places.stream()
        .map(PlantableMutant.Place::code)
        .distinct()
        .forEach(
            code -> {
              List<Planting> plantings =
                  places.stream()
                      .filter(p -> p.code().equals(code))
                      .map(p -> new Planting(0, code, p.instruction(), p.replacement()))
                      .toList();
              print.writeBytes(code.getBytes(UTF_8));
              print.writeBytes(ClassPlanter.print(methods.get(code), plantings));
            });
    return prints.add(Hash.of(print.toByteArray()));
  }

  private String hash(String code) {
    return Hash.of(ClassPlanter.print(methods.get(code), List.of()));
  }

  private PlantableMutant mutant(Found found) {
    Variation variation = found.variation();
    String original = source.substring((int) variation.start(), (int) variation.end());
    String text = original.strip().replaceAll("\\s+", " ");
    String kind = "mutant " + variation.operator();
    int ordinal =
        alike.merge(
                String.join("\n", found.method(), kind, text, variation.mutated()), 1, Integer::sum)
            - 1;
    String className = type.name.replace('/', '.');
    String name = PlaceName.of(className, found.method(), kind, text, variation.mutated(), ordinal);
    int line = line((int) variation.start());
    return new PlantableMutant(
        new Mutant(
            name,
            path,
            className,
            found.method(),
            line,
            variation.operator(),
            original,
            variation.mutated()),
        found.places(),
        hashes.computeIfAbsent(found.places().get(0).code(), this::hash));
  }

  /** Of a place in the source, counted from 1. */
  private int line(int at) {
    int line = Arrays.binarySearch(lineStarts, at);
    return line >= 0 ? line + 1 : -line - 1;
  }

  private static int[] lineStarts(String source) {
    return IntStream.concat(
            IntStream.of(0),
            IntStream.range(0, source.length())
                .filter(i -> source.charAt(i) == '\n')
                .map(i -> i + 1))
        .toArray();
  }
}

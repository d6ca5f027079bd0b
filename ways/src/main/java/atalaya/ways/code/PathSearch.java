package atalaya.ways.code;

import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode.Edge;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntToDoubleFunction;

/**
 * The heaviest path through a method ({@code docs/measures.md}, section 9). Its graph is taken
 * apart at the edges that close loops: each leads into a further copy of the graph, so that no path
 * is endless, and the heaviest one is found in time linear in the method's length.
 */
public final class PathSearch {
  /** A path goes back to the begin of a loop so many times as a rule, at most. */
  public static final int TURNS = 3;

  private static final double OF_CONDITION = 1e-6;
  private static final double OF_EXCEPTION = 1e-3;

  /** Of paths that are worth the same the one is taken that calls and looks at least. */
  private static final double OF_USE = 1e-11;

  private static final double FORCED = 1e6;
  private static final double NEVER = Double.NEGATIVE_INFINITY;

  /**
   * What is looked for.
   *
   * @param weights what reaching a point of the class is worth
   * @param forced instructions that the path has to pass
   * @param begun how the path begins; empty where it is free from the first instruction on
   * @param blocked edges that it must not take, and after how many turns
   * @param turns so often it may go back to the begin of a loop
   * @param returning whether it has to return, and not throw
   */
  public record Wanted(
      IntToDoubleFunction weights,
      Set<Integer> forced,
      List<Path.Move> begun,
      Set<Path.Taken> blocked,
      int turns,
      boolean returning) {
    public Wanted(
        IntToDoubleFunction weights,
        Set<Integer> forced,
        List<Path.Move> begun,
        Set<Path.Taken> blocked,
        boolean returning) {
      this(weights, forced, begun, blocked, TURNS, returning);
    }

    /** Where only the way there counts. */
    public static final IntToDoubleFunction NO_WEIGHTS = point -> 0;

    static Wanted shortest() {
      return new Wanted(NO_WEIGHTS, Set.of(), List.of(), Set.of(), true);
    }

    /** The one that passes most, each loop once. */
    static Wanted fullest() {
      return new Wanted(point -> 1, Set.of(), List.of(), Set.of(), 1, true);
    }

    /** The shortest, or one that throws. */
    static Wanted any() {
      return new Wanted(NO_WEIGHTS, Set.of(), List.of(), Set.of(), false);
    }

    boolean hasWeights() {
      return weights != NO_WEIGHTS;
    }
  }

  private final MethodCode code;
  private final Wanted wanted;
  private final Function<Ref, Optional<MethodCode>> lambdaBodies;
  private final Map<Integer, Path> lambdas = new HashMap<>();
  private final Map<Integer, Double> ofLambdas = new HashMap<>();
  private final Graph graph;
  private final BitSet blockedFrom = new BitSet();
  private final BitSet begun = new BitSet();
  private final int firstTurn;

  private PathSearch(
      MethodCode code, Wanted wanted, Function<Ref, Optional<MethodCode>> lambdaBodies) {
    this.code = code;
    this.wanted = wanted;
    this.lambdaBodies = lambdaBodies;
    wanted.blocked().forEach(taken -> blockedFrom.set(taken.edge().from()));
    this.graph = code.graph();
    wanted.begun().forEach(move -> begun.or(passed(move)));
    this.firstTurn = wanted.begun().isEmpty() ? 0 : turnAfter(last(wanted.begun()));
    for (int making : graph.lambdas()) {
      ofLambdas.put(making, lambda(making));
    }
  }

  /**
   * Finds the heaviest path.
   *
   * @param lambdaBodies the code of a lambda's body
   * @return empty when no path ends, or none passes what is forced
   */
  public static Optional<Path> heaviest(
      MethodCode code, Wanted wanted, Function<Ref, Optional<MethodCode>> lambdaBodies) {
    PathSearch search = new PathSearch(code, wanted, lambdaBodies);
    Optional<Path> first = search.find(new BitSet(), false);
    if (first.isEmpty() || !search.graph.hasLoops() || !wanted.hasWeights()) {
      return first.filter(search::passesForced);
    }
    Optional<Path> second = search.find(first.get().passed(), true);
    return Optional.of(
            second.isPresent() && search.weight(second.get()) > search.weight(first.get())
                ? second.get()
                : first.get())
        .filter(search::passesForced);
  }

  private boolean passesForced(Path path) {
    if (wanted.forced().isEmpty()) {
      return true;
    }
    Set<Integer> passed = new HashSet<>();
    path.moves().forEach(move -> passed.add(move.at()));
    return passed.containsAll(wanted.forced());
  }

  private double lambda(int making) {
    Wanted inside =
        new Wanted(wanted.weights(), Set.of(), List.of(), wanted.blocked(), wanted.returning());
    for (Ref lambda : code.lambdas(making)) {
      Optional<Path> path =
          lambdaBodies.apply(lambda).flatMap(body -> heaviest(body, inside, lambdaBodies));
      double weight = path.map(this::weight).orElse(0.0);
      if (weight > 0) {
        lambdas.put(making, path.get());
        return weight;
      }
    }
    return 0;
  }

  /** What the points of a path are worth, each counted once. */
  private double weight(Path path) {
    return path.passed().stream().mapToDouble(wanted.weights()::applyAsDouble).sum();
  }

  private BitSet passed(Path.Move move) {
    BitSet passed = (BitSet) code.points(move.at()).clone();
    if (move.edge() != null && move.edge().point() >= 0) {
      passed.set(move.edge().point());
    }
    return passed;
  }

  private static Path.Move last(List<Path.Move> moves) {
    return moves.get(moves.size() - 1);
  }

  private int turnAfter(Path.Move move) {
    return move.turn() + (graph.closesLoop(move.at(), move.edge().to()) ? 1 : 0);
  }

  private Optional<Path> find(BitSet passedBefore, boolean again) {
    int layers = graph.hasLoops() ? wanted.turns() + 1 : 1;
    List<Graph.Block> blocks = graph.blocks();
    double[][] best = new double[layers][code.size()];
    Edge[][] choice = new Edge[layers][code.size()];
    double[] first = worths(new BitSet());
    double[] later = again ? worths(passedBefore) : new double[first.length];
    double[] own = new double[blocks.size()];
    double[] repeatedly = new double[blocks.size()];
    for (int i = 0; i < own.length; i++) {
      own[i] =
          (wanted.hasWeights() ? worth(blocks.get(i), first) : 0)
              + once(blocks.get(i))
              - OF_USE * blocks.get(i).uses();
      repeatedly[i] = again ? worth(blocks.get(i), later) : 0;
    }
    for (int layer = layers - 1; layer >= firstTurn; layer--) {
      for (int i = 0; i < own.length; i++) {
        Graph.Block block = blocks.get(i);
        boolean repeated = layer > firstTurn && block.isInLoop();
        double[] worth = repeated ? later : first;
        int at = block.last();
        List<Edge> edges = code.edges(at);
        double after = end(at);
        for (int e = 0; e < edges.size(); e++) {
          Edge edge = edges.get(e);
          int to = graph.closesLoop(at, edge.to()) ? layer + 1 : layer;
          if (to < layers && !isBlocked(edge, layer)) {
            double through = best[to][edge.to()] + of(edge, edges.size() > 1, worth);
            if (through > after) {
              after = through;
              choice[layer][at] = edge;
            }
          }
        }
        best[layer][block.first()] = after + (repeated ? repeatedly[i] : own[i]);
      }
    }
    int from = wanted.begun().isEmpty() ? 0 : last(wanted.begun()).edge().to();
    boolean hasNone = firstTurn >= layers || best[firstTurn][from] == NEVER;
    return hasNone ? Optional.empty() : Optional.of(path(choice, from));
  }

  private static double worth(Graph.Block block, double[] worth) {
    double sum = 0;
    BitSet here = block.points();
    for (int p = here.nextSetBit(0); p >= 0; p = here.nextSetBit(p + 1)) {
      sum += worth[p];
    }
    return sum;
  }

  /** What is worth something the first time only: lambdas, and what has to be passed. */
  private double once(Graph.Block block) {
    if (ofLambdas.isEmpty() && wanted.forced().isEmpty()) {
      return 0;
    }
    double sum = 0;
    for (int at : block.all()) {
      sum += ofLambdas.getOrDefault(at, 0.0) + (wanted.forced().contains(at) ? FORCED : 0);
    }
    return sum;
  }

  /** What each point is worth that the path did not begin with, and that was not passed before. */
  private double[] worths(BitSet passed) {
    double[] worths = new double[code.allPoints().length()];
    if (!wanted.hasWeights()) {
      return worths;
    }
    BitSet points = code.allPoints();
    for (int p = points.nextSetBit(0); p >= 0; p = points.nextSetBit(p + 1)) {
      worths[p] = begun.get(p) || passed.get(p) ? 0 : wanted.weights().applyAsDouble(p);
    }
    return worths;
  }

  private static double of(Edge edge, boolean parts, double[] worth) {
    double cost = parts ? OF_CONDITION : 0;
    cost += edge.thrown().isEmpty() ? 0 : OF_EXCEPTION;
    return (edge.point() >= 0 ? worth[edge.point()] : 0) - cost;
  }

  private boolean isBlocked(Edge edge, int turn) {
    return blockedFrom.get(edge.from())
        && (wanted.blocked().contains(new Path.Taken(edge, turn))
            || wanted.blocked().contains(new Path.Taken(edge, Path.Taken.ANY)));
  }

  private Path path(Edge[][] choice, int from) {
    List<Path.Move> moves = new ArrayList<>(wanted.begun());
    int layer = firstTurn;
    int at = from;
    while (true) {
      Graph.Block block = graph.block(at);
      for (int i = 0; i < block.all().length - 1; i++) {
        int inner = block.all()[i];
        moves.add(new Path.Move(inner, code.edges(inner).get(0), layer));
      }
      Edge edge = choice[layer][block.last()];
      moves.add(new Path.Move(block.last(), edge, layer));
      if (edge == null) {
        return new Path(code, moves, lambdas);
      }
      layer += graph.closesLoop(block.last(), edge.to()) ? 1 : 0;
      at = edge.to();
    }
  }

  private double end(int at) {
    int opcode = code.at(at).getOpcode();
    boolean ends =
        code.edges(at).isEmpty()
            && !code.isCaught(at)
            && (!wanted.returning() || MethodCode.isReturn(opcode));
    return ends ? 0 : NEVER;
  }

  /** Whether a loop is left or goes on at an instruction. */
  public static boolean steersLoop(MethodCode code, int at) {
    return code.loops().get(at)
        && code.edges(at).stream().anyMatch(edge -> !code.loops().get(edge.to()));
  }

  /** The points that every path to a return passes. */
  static BitSet passedByAll(MethodCode code) {
    Graph graph = code.graph();
    BitSet[] after = new BitSet[code.size()];
    for (int at : graph.order()) {
      int opcode = code.at(at).getOpcode();
      BitSet all = MethodCode.isReturn(opcode) ? new BitSet() : null;
      for (Edge edge : code.edges(at)) {
        BitSet next = graph.closesLoop(at, edge.to()) ? null : after[edge.to()];
        if (next != null && edge.thrown().isEmpty()) {
          BitSet with = (BitSet) next.clone();
          if (edge.point() >= 0) {
            with.set(edge.point());
          }
          if (all == null) {
            all = with;
          } else {
            all.and(with);
          }
        }
      }
      if (all != null) {
        all.or(code.points(at));
      }
      after[at] = all;
    }
    return after[0] == null ? new BitSet() : after[0];
  }

  /**
   * All paths without loops to an exit.
   *
   * @return empty when there are loops, or too many paths
   */
  public static Optional<List<Path>> all(MethodCode code, int most) {
    if (code.graph().hasLoops()) {
      return Optional.empty();
    }
    List<Path> found = new ArrayList<>();
    List<List<Path.Move>> waiting = new ArrayList<>();
    waiting.add(List.of());
    List<Integer> at = new ArrayList<>(List.of(0));
    while (!waiting.isEmpty()) {
      List<Path.Move> begun = new ArrayList<>(waiting.remove(waiting.size() - 1));
      int here = at.remove(at.size() - 1);
      while (code.edges(here).size() == 1 && code.edges(here).get(0).thrown().isEmpty()) {
        Edge only = code.edges(here).get(0);
        begun.add(new Path.Move(here, only, 0));
        here = only.to();
      }
      List<Edge> edges = new ArrayList<>(code.edges(here));
      edges.removeIf(edge -> !edge.thrown().isEmpty() && !code.isCaught(edge.from()));
      if (edges.isEmpty()) {
        begun.add(new Path.Move(here, null, 0));
        found.add(new Path(code, begun, Map.of()));
      }
      Collections.reverse(edges);
      for (Edge edge : edges) {
        List<Path.Move> further = new ArrayList<>(begun);
        further.add(new Path.Move(here, edge, 0));
        waiting.add(further);
        at.add(edge.to());
      }
      if (found.size() + waiting.size() > most) {
        return Optional.empty();
      }
    }
    return Optional.of(found);
  }
}

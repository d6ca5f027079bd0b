package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.plan.PlanKey;
import atalaya.cli.plan.Planning;
import atalaya.cli.plan.Remedies;
import atalaya.cli.render.BriefJson;
import atalaya.cli.render.PlanView;
import atalaya.cli.render.ProgressLine;
import atalaya.cli.render.ReviewView;
import atalaya.cli.render.Words;
import atalaya.core.code.Method;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.naming.Target;
import atalaya.core.naming.Zones;
import atalaya.core.plan.Limits;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Planned;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Review;
import atalaya.core.table.Tables;
import atalaya.store.plan.PlanFolder;
import atalaya.store.runfile.RunFile;
import atalaya.store.table.CsvWriter;
import atalaya.store.yaml.Configuration;
import java.io.IOException;
import java.io.PrintWriter;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

/** {@code atalaya plan}. */
@Command(
    name = "plan",
    description = "Which tests to write next: what gains most for the time it takes.",
    footer = {
      "",
      "Each brief is one test: the way it takes, the values that lead there, the test to start",
      "from, what to assert. The same run always gives the same plan.",
      "",
      "Example: two hours for one package, in full",
      "  atalaya plan harbour.tariff --budget 2h --full"
    })
public final class PlanCommand extends ReadingCommand {
  private static final int USUAL_TESTS = 10;
  private static final Pattern TIME =
      Pattern.compile("(?:(\\d{1,4})\\s*h)?\\s*(?:(\\d{1,5})\\s*m)?");
  private static final Pattern SHARE = Pattern.compile("(\\d{1,3}(?:\\.\\d+)?)\\s*%");

  @Parameters(
      arity = "0..1",
      paramLabel = "TARGET-OR-GAP",
      description =
          "A package, Class, Class#method, Class:line, or the name of a gap (default: all code).")
  private String target;

  @Option(
      names = "--budget",
      paramLabel = "TIME",
      description = "Tests that can be written in so long: 30m, 2h, 1h30m.")
  private String budget;

  @Option(
      names = "--tests",
      paramLabel = "N",
      description = "So many tests at most (default: 10 where nothing else limits the plan).")
  private Integer tests;

  @Option(
      names = "--until",
      paramLabel = "GOAL",
      description = "Until so much is reached of all lines and outcomes: 90%%.")
  private String until;

  @Option(names = "--full", description = "The briefs in full.")
  private boolean full;

  @Option(
      names = "--done",
      description =
          "Instead: which briefs of the run before (same options) are done, and what they bought.")
  private boolean done;

  /** Made by the program's start. */
  public PlanCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    Configuration configuration = configuration();
    int minutes = configuration.minutesPerPoint();
    int points = points(minutes);
    double share = share();
    if (tests != null && tests < 1) {
      throw usage("--tests must be at least 1 (got " + tests + ")");
    }
    try (RunFile run = openRun()) {
      if (done) {
        return review(run, points, share);
      }
      Planned planned = planned(run, points, share);
      Format format = format(Format.TEXT);
      print(out -> print(run, planned, minutes, format, out));
      if (format == Format.TEXT && !printsToFile()) {
        next(planned);
      }
    }
    return ExitCode.DONE;
  }

  /** A plan that was made before and is kept, or else made now. */
  private Planned planned(RunFile run, int points, double share) throws IOException {
    Zones zones = configuration().zones();
    Optional<PlanFolder> kept = projectHome().map(home -> new PlanFolder(home.resolve("plans")));
    String key =
        new PlanKey(console().home())
            .run(run.path(), run.jvms())
            .decided(settled(run), judgement(run).accepted())
            .with(zones, target, points, tests, share)
            .toString();
    Optional<Planned> known = kept.flatMap(folder -> folder.find(key));
    if (known.isPresent()) {
      return known.get();
    }
    List<MethodFigures> methods = methods(run);
    try (Planning planning = new Planning(run, methods, judgement(run).accepted(), zones::weight)) {
      Planned planned = made(planning, run, methods, points, share);
      if (kept.isPresent()) {
        keep(kept.get(), key, planned);
      }
      return planned;
    }
  }

  private static void keep(PlanFolder kept, String key, Planned planned) {
    try {
      kept.keep(key, planned);
    } catch (IOException e) {
      return; // Nobody asked for it to be kept: it is made again then.
    }
  }

  private Planned made(
      Planning planning, RunFile run, List<MethodFigures> methods, int points, double share)
      throws IOException {
    Set<String> settled = settled(run);
    Optional<Gap> gap = gap(run);
    if (gap.isPresent()) {
      return planning.with(forGap(planning, methods, gap.get()), List.of());
    }
    if (isLine()) {
      return planning.with(forLine(run, planning, methods), List.of());
    }
    List<MethodFigures> wanted = wanted(methods);
    Limits limits = limits(wanted, points, share);
    ProgressLine progress = new ProgressLine(console(), isQuiet());
    Plan plan;
    try {
      plan =
          planning
              .forMethods(wanted, limits, settled, chosen -> progress.now(() -> planned(chosen)))
              .together();
    } finally {
      progress.end();
    }
    return planning.with(plan, new Remedies(planning).of(wanted, plan, settled));
  }

  private static String planned(int tests) {
    return tests == 0 ? "planning" : "planned " + Words.count(tests, "test", "tests");
  }

  /** What became of the plan of the run before. */
  private int review(RunFile after, int points, double share) throws IOException {
    try (RunFile before = runBefore(after)) {
      Plan plan = planned(before, points, share).plan();
      Set<String> open = new HashSet<>();
      after.gaps().forEach(gap -> open.add(gap.name()));
      Review review = Review.of(plan, byName(before), byName(after), open);
      ReviewView view = new ReviewView(review);
      Format format = format(Format.TEXT);
      print(
          out -> {
            switch (format) {
              case TEXT -> {
                head(after).lines(paint(), width()).forEach(out::println);
                out.println("planned for: run " + before.info().name());
                out.println();
                view.lines(paint()).forEach(out::println);
              }
              case MD -> view.markdown().forEach(out::println);
              case CSV -> CsvWriter.write(Tables.review(review), out);
              case JSON -> {
                Map<String, Object> things = new LinkedHashMap<>();
                things.put("plannedFor", before.info().name());
                things.put("promised", review.promised());
                things.put("bought", review.bought());
                things.put("reviews", Tables.review(review));
                json("plan", after.info(), things, out);
              }
            }
          });
    }
    return ExitCode.DONE;
  }

  private static Map<String, MethodFigures> byName(RunFile run) {
    Map<String, MethodFigures> byName = new HashMap<>();
    run.methods().forEach(method -> byName.putIfAbsent(method.qualifiedName(), method));
    return byName;
  }

  /** Gaps that nobody will write a test for, as it was decided. */
  private Set<String> settled(RunFile run) throws IOException {
    Set<String> settled = new HashSet<>();
    judgement(run)
        .holding()
        .forEach(
            (gap, ruling) -> {
              if (ruling != Ruling.TEST) {
                settled.add(gap);
              }
            });
    return settled;
  }

  private List<MethodFigures> wanted(List<MethodFigures> methods) {
    return target == null ? methods : Target.parse(target).in(methods);
  }

  private Optional<Gap> gap(RunFile run) {
    return target == null || target.contains("#") || target.contains(":")
        ? Optional.empty()
        : run.gaps().stream().filter(gap -> gap.name().equals(target)).findFirst();
  }

  private Plan forGap(Planning planning, List<MethodFigures> methods, Gap gap) {
    MethodFigures method =
        methods.stream()
            .filter(m -> m.qualifiedName().equals(gap.qualifiedMethod()))
            .findFirst()
            .orElseThrow(() -> new Failure(ExitCode.INPUT, gap.name() + " was accepted"));
    return switch (gap.kind()) {
      case METHOD, UNUSED -> planning.forMethods(List.of(method), Limits.ofTests(1), Set.of());
      case SURVIVOR -> planning.noticing(method, gap);
      case LOOP ->
          throw new Failure(
              ExitCode.INPUT,
              "for a loop that was never repeated take a test that reaches it, with two elements;"
                  + " atalaya inspect names those");
      case OUTCOME, HANDLER ->
          planning.towards(method, planning.pointsOf(gap).orElse(new BitSet()), gap.name());
    };
  }

  private boolean isLine() {
    return target != null && target.matches("[^#]*:\\d+");
  }

  private Plan forLine(RunFile run, Planning planning, List<MethodFigures> methods) {
    int line = Integer.parseInt(target.substring(target.lastIndexOf(':') + 1));
    for (MethodFigures method : Target.parse(target).in(methods)) {
      Optional<BitSet> points =
          planning.model(method).map(Method::lines).orElse(List.of()).stream()
              .filter(l -> l.number() == line)
              .map(l -> l.points())
              .findFirst();
      if (points.isPresent()) {
        boolean isReached = points.get().intersects(run.reach(method.className()).all());
        if (isReached) {
          throw new Failure(
              ExitCode.INPUT,
              "line "
                  + line
                  + " is reached already; plan a method or a gap there, or challenge it");
        }
        return planning.towards(method, points.get(), target);
      }
    }
    throw new Failure(ExitCode.INPUT, "\"" + target + "\" has no code");
  }

  private Limits limits(List<MethodFigures> wanted, int points, double share) {
    boolean isUnlimited = tests == null && budget == null && until == null;
    int most = tests != null ? tests : isUnlimited ? USUAL_TESTS : Integer.MAX_VALUE;
    boolean fewTests = tests != null && budget == null;
    return new Limits(points, most, Double.POSITIVE_INFINITY, missing(wanted, share), fewTests);
  }

  /** How many lines and outcomes have to be reached besides, for a share of all. */
  private static int missing(List<MethodFigures> wanted, double share) {
    if (share < 0) {
      return Integer.MAX_VALUE;
    }
    int whole = wanted.stream().mapToInt(m -> m.lines().whole() + m.outcomes().whole()).sum();
    int part = wanted.stream().mapToInt(m -> m.lines().part() + m.outcomes().part()).sum();
    return Math.max(0, (int) Math.ceil(share * whole - 1e-9) - part);
  }

  private int points(int minutesPerPoint) {
    if (budget == null) {
      return Integer.MAX_VALUE;
    }
    Matcher time = TIME.matcher(budget.strip());
    boolean isTime = time.matches() && (time.group(1) != null || time.group(2) != null);
    if (!isTime) {
      throw usage("--budget must be a time as 30m, 2h or 1h30m (got " + budget + ")");
    }
    int hours = time.group(1) == null ? 0 : Integer.parseInt(time.group(1));
    int minutes = time.group(2) == null ? 0 : Integer.parseInt(time.group(2));
    return (60 * hours + minutes) / minutesPerPoint;
  }

  private double share() {
    if (until == null) {
      return -1;
    }
    Matcher share = SHARE.matcher(until.strip());
    boolean isShare = share.matches() && Double.parseDouble(share.group(1)) <= 100;
    if (!isShare) {
      throw usage("--until must be a share as 90% (got " + until + ")");
    }
    return Double.parseDouble(share.group(1)) / 100;
  }

  private ParameterException usage(String message) {
    return new ParameterException(spec.commandLine(), message);
  }

  private void print(RunFile run, Planned planned, int minutes, Format format, PrintWriter out)
      throws IOException {
    Plan plan = planned.plan();
    List<Remedy> remedies = planned.remedies();
    PlanView view = new PlanView(plan, remedies, minutes, width());
    switch (format) {
      case TEXT -> {
        head(run).lines(paint(), width()).forEach(out::println);
        out.println();
        (full ? view.full(paint()) : view.lines(paint())).forEach(out::println);
      }
      case MD -> view.markdown().forEach(out::println);
      case CSV -> CsvWriter.write(Tables.briefs(plan, minutes), out);
      case JSON -> {
        Map<String, Object> things = new LinkedHashMap<>();
        things.putAll(BriefJson.of(plan, remedies, minutes));
        json("plan", run.info(), things, out);
      }
    }
  }

  private void next(Planned planned) {
    if (planned.plan().briefs().isEmpty()) {
      planned.impossible().forEach((name, because) -> say(name + ": " + because));
      planned.notFound().forEach((name, because) -> say(name + ": " + because));
      return;
    }
    say("");
    say(
        full
            ? "Next: write the first, then atalaya observe; atalaya plan --done tells what it bought"
            : "Next: the same with --full, for what each test takes");
  }
}

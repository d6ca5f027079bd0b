package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.again.Judgement;
import atalaya.cli.render.GapWords;
import atalaya.cli.render.Words;
import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.naming.Target;
import atalaya.store.runfile.RunFile;
import atalaya.store.yaml.DecisionsFile;
import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.stream.Collectors;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

/** {@code atalaya decide}. */
@Command(
    name = "decide",
    description = "Records what you rule about gaps, in atalaya-decisions.yaml.",
    footer = {
      "",
      "What is accepted leaves the figures, and every output says so. A decision is asked again",
      "when the code of its method changes, or when its date passes.",
      "",
      "Example: nobody will test this",
      "  atalaya decide main-gvvyxub --accept --because \"only starts the program\""
    })
public final class DecideCommand extends ReadingCommand {

  /** What is ruled. */
  static final class Ruled {
    @Option(names = "--accept", description = "Nobody will test it; it leaves the figures.")
    boolean accept;

    @Option(names = "--test", description = "Somebody will test it.")
    boolean test;

    @Option(names = "--delete", description = "The code ought to go.")
    boolean delete;

    @Option(names = "--redesign", description = "The code ought to be made otherwise.")
    boolean redesign;

    @Option(names = "--equivalent", description = "The faults that pass here change nothing.")
    boolean equivalent;

    @Option(names = "--withdraw", description = "Take the decision back.")
    boolean withdraw;
  }

  @Parameters(
      arity = "1..*",
      paramLabel = "GAP-OR-TARGET",
      description = "Names of gaps, or code: then all its gaps that stand behind no other.")
  private List<String> what;

  @ArgGroup(multiplicity = "1")
  private Ruled ruled;

  @Option(names = "--because", paramLabel = "TEXT", description = "The reason.")
  private String because;

  @Option(names = "--until", paramLabel = "DATE", description = "The last day, as 2027-01-31.")
  private LocalDate until;

  /** Made by the program's start. */
  public DecideCommand(Console console) {
    super(console);
  }

  @Override
  protected int execute() throws IOException {
    if (!ruled.withdraw && (because == null || because.isBlank())) {
      throw new ParameterException(spec.commandLine(), "--because must say why");
    }
    DecisionsFile file = new DecisionsFile(project().root());
    SortedMap<String, Decision> decisions = file.read();
    int changed = ruled.withdraw ? withdraw(decisions) : record(decisions);
    file.write(decisions.values());
    console().out().println(done(changed) + " in " + DecisionsFile.NAME);
    console().out().flush();
    say("Next: atalaya gaps --decided");
    return ExitCode.DONE;
  }

  private String done(int changed) {
    String count = Words.count(changed, "decision", "decisions");
    return ruled.withdraw ? count + " withdrawn" : count + " recorded";
  }

  private int withdraw(SortedMap<String, Decision> decisions) {
    for (String gap : what) {
      if (decisions.remove(gap) == null) {
        throw new Failure(ExitCode.INPUT, "nothing was decided about \"" + gap + "\"");
      }
    }
    return what.size();
  }

  private int record(SortedMap<String, Decision> decisions) throws IOException {
    try (RunFile run = openRun()) {
      List<Gap> gaps = gaps(run);
      Optional<Gap> other =
          gaps.stream().filter(gap -> gap.kind() != Gap.Kind.SURVIVOR).findFirst();
      if (ruled.equivalent && other.isPresent()) {
        throw new Failure(
            ExitCode.INPUT,
            other.get().name() + " is no fault that passes; only those may be equivalent");
      }
      Map<String, MethodFigures> methods = new HashMap<>();
      run.methods().forEach(m -> methods.putIfAbsent(m.qualifiedName(), m));
      LocalDate today = LocalDate.ofInstant(console().clock().instant(), ZoneId.systemDefault());
      for (Gap gap : gaps) {
        decisions.put(
            gap.name(),
            new Decision(
                gap.name(),
                gap.qualifiedMethod(),
                GapWords.missing(gap),
                ruling(),
                because,
                Optional.ofNullable(until),
                System.getProperty("user.name", "unknown"),
                today,
                Judgement.code(run, methods.get(gap.qualifiedMethod()))));
      }
      return gaps.size();
    }
  }

  private List<Gap> gaps(RunFile run) {
    List<Gap> all = run.gaps();
    List<Gap> wanted = new ArrayList<>();
    for (String one : what) {
      List<Gap> named = all.stream().filter(gap -> gap.name().equals(one)).toList();
      if (named.isEmpty() && one.matches("\\w+-[a-z2-9]{7}")) {
        throw new Failure(ExitCode.INPUT, "this run has no gap named \"" + one + "\"");
      }
      wanted.addAll(named.isEmpty() ? of(run, all, one) : named);
    }
    return wanted;
  }

  private static List<Gap> of(RunFile run, List<Gap> all, String target) {
    Set<String> methods =
        Target.parse(target).in(run.methods()).stream()
            .map(MethodFigures::qualifiedName)
            .collect(Collectors.toSet());
    List<Gap> gaps =
        all.stream()
            .filter(gap -> methods.contains(gap.qualifiedMethod()) && gap.behind().isEmpty())
            .toList();
    if (gaps.isEmpty()) {
      throw new Failure(ExitCode.INPUT, target + " has no gap");
    }
    return gaps;
  }

  private Ruling ruling() {
    if (ruled.accept) {
      return Ruling.ACCEPT;
    }
    if (ruled.test) {
      return Ruling.TEST;
    }
    if (ruled.equivalent) {
      return Ruling.EQUIVALENT;
    }
    return ruled.delete ? Ruling.DELETE : Ruling.REDESIGN;
  }
}

package atalaya.dist;

import com.sun.jdi.AbsentInformationException;
import com.sun.jdi.Bootstrap;
import com.sun.jdi.Location;
import com.sun.jdi.Method;
import com.sun.jdi.ReferenceType;
import com.sun.jdi.ThreadReference;
import com.sun.jdi.VMDisconnectedException;
import com.sun.jdi.VirtualMachine;
import com.sun.jdi.connect.Connector;
import com.sun.jdi.connect.LaunchingConnector;
import com.sun.jdi.event.BreakpointEvent;
import com.sun.jdi.event.ClassPrepareEvent;
import com.sun.jdi.event.Event;
import com.sun.jdi.event.EventSet;
import com.sun.jdi.event.StepEvent;
import com.sun.jdi.event.VMDisconnectEvent;
import com.sun.jdi.request.BreakpointRequest;
import com.sun.jdi.request.ClassPrepareRequest;
import com.sun.jdi.request.EventRequest;
import com.sun.jdi.request.EventRequestManager;
import com.sun.jdi.request.StepRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Asks the JVM's debugger interface what a program reached, and compares it with what Atalaya says.
 * It shares no code with Atalaya and runs from its source alone.
 *
 * <p>Lines: of every entry of the line tables, whether its first instruction began to execute. The
 * debugger can't tell in three cases: where a {@code catch} follows a block on its line, the
 * handler from the code that closes the block's resources; where that instruction only jumps on,
 * the end of a block from a {@code break}; and where only others of the line were executed, a
 * statement from the rest of an expression.
 *
 * <p>Outcomes: of every conditional jump, by a single step, which of its two ways control took. The
 * debugger does not know which is which condition, so the ways taken are compared by their number,
 * line by line, where a line has as many jumps as Atalaya has conditions.
 */
final class Debugger {
  /** A jump that goes one way so often is given up: the other way is not known. */
  private static final int PATIENCE = 300;

  private final Set<String> classes;
  private final Set<String> entered = new HashSet<>();
  private final Set<String> touched = new HashSet<>();
  private final Map<String, Jump> jumps = new HashMap<>();

  /** A conditional jump. */
  private static final class Jump {
    final String line;
    final int next;
    final Set<Boolean> ways = new HashSet<>();
    int hits;

    Jump(String line, int next) {
      this.line = line;
      this.next = next;
    }

    boolean isGivenUp() {
      return hits > PATIENCE && ways.size() < 2;
    }
  }

  /** What was compared, and what the two did not agree on. */
  record Comparison(int lines, int lineOutcomes, int notCompared, Set<String> disagreed) {}

  private Debugger(Set<String> classes) {
    this.classes = classes;
  }

  /**
   * Runs a program under the debugger interface and compares.
   *
   * @param project where the paths of the tables start
   * @param lineRows the table of lines, its titles first
   * @param outcomeRows the table of outcomes, its titles first
   * @param arguments what follows {@code java}, but for the name of the main class
   */
  static Comparison compare(
      Path project,
      List<List<String>> lineRows,
      List<List<String>> outcomeRows,
      String arguments,
      String main)
      throws Exception {
    Set<String> classes = new HashSet<>();
    lineRows.stream().skip(1).forEach(row -> classes.add(row.get(1)));
    Debugger debugger = new Debugger(classes);
    debugger.run(arguments, main);
    Set<String> disagreed = new TreeSet<>();
    int lines = 0;
    for (List<String> row : lineRows.subList(1, lineRows.size())) {
      String line = row.get(1) + ":" + row.get(3);
      boolean reached = debugger.entered.contains(line);
      boolean isSure = reached || !debugger.touched.contains(line);
      if (isSure && !text(project, row).startsWith("} catch (")) {
        lines++;
        if (reached != row.get(4).equals("true")) {
          disagreed.add(line + " Atalaya: " + row.get(4));
        }
      }
    }
    return debugger.outcomes(lines, outcomeRows, disagreed);
  }

  private static String text(Path project, List<String> row) throws IOException {
    Path source = project.resolve(row.get(0));
    return row.get(0).isEmpty() || !Files.exists(source)
        ? ""
        : Files.readAllLines(source).get(Integer.parseInt(row.get(3)) - 1).strip();
  }

  private Comparison outcomes(int lines, List<List<String>> rows, Set<String> disagreed) {
    Map<String, int[]> told = new TreeMap<>();
    Set<String> other = new HashSet<>();
    for (List<String> row : rows.subList(1, rows.size())) {
      String line = row.get(1) + ":" + row.get(3);
      int[] counts = told.computeIfAbsent(line, l -> new int[2]);
      counts[0]++;
      counts[1] += row.get(6).equals("true") ? 1 : 0;
      if (row.get(4).startsWith("switch (")) {
        other.add(line);
      }
    }
    Map<String, List<Jump>> seen = new HashMap<>();
    jumps.values().forEach(j -> seen.computeIfAbsent(j.line, l -> new ArrayList<>()).add(j));
    int compared = 0;
    for (Map.Entry<String, int[]> line : told.entrySet()) {
      List<Jump> here = seen.getOrDefault(line.getKey(), List.of());
      boolean alike = 2 * here.size() == line.getValue()[0] && !other.contains(line.getKey());
      if (!alike || here.stream().anyMatch(Jump::isGivenUp)) {
        continue;
      }
      compared += line.getValue()[0];
      int ways = here.stream().mapToInt(jump -> jump.ways.size()).sum();
      if (ways != line.getValue()[1]) {
        disagreed.add(line.getKey() + " outcomes: " + ways + ", Atalaya: " + line.getValue()[1]);
      }
    }
    return new Comparison(lines, compared, rows.size() - 1 - compared, disagreed);
  }

  // ---- watching ----

  private void run(String arguments, String main) throws Exception {
    LaunchingConnector connector = Bootstrap.virtualMachineManager().defaultConnector();
    Map<String, Connector.Argument> options = connector.defaultArguments();
    options.get("main").setValue(main);
    options.get("options").setValue(arguments);
    VirtualMachine machine = connector.launch(options);
    drain(machine.process().getInputStream());
    drain(machine.process().getErrorStream());
    ClassPrepareRequest prepared = machine.eventRequestManager().createClassPrepareRequest();
    for (String platform : new String[] {"java.*", "javax.*", "jdk.*", "sun.*"}) {
      prepared.addClassExclusionFilter(platform);
    }
    prepared.enable();
    try {
      while (true) {
        EventSet events = machine.eventQueue().remove();
        for (Event event : events) {
          if (event instanceof VMDisconnectEvent) {
            return;
          }
          take(event);
        }
        events.resume();
      }
    } catch (VMDisconnectedException e) {
      // The program has ended; what was seen until then is all there is.
      return;
    }
  }

  private static void drain(InputStream from) {
    Thread thread =
        new Thread(
            () -> {
              try (from) {
                from.transferTo(OutputStream.nullOutputStream());
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
    thread.setDaemon(true);
    thread.start();
  }

  private void take(Event event) {
    EventRequestManager requests = event.virtualMachine().eventRequestManager();
    if (event instanceof ClassPrepareEvent prepare) {
      if (classes.contains(prepare.referenceType().name())) {
        watch(requests, prepare.referenceType());
      }
    } else if (event instanceof BreakpointEvent hit) {
      arrived(requests, hit);
    } else if (event instanceof StepEvent step) {
      Jump jump = (Jump) step.request().getProperty("jump");
      jump.ways.add(step.location().codeIndex() == jump.next);
      requests.deleteEventRequest(step.request());
    }
  }

  private void watch(EventRequestManager requests, ReferenceType type) {
    List<Location> places = new ArrayList<>();
    for (Method method : type.methods()) {
      try {
        method.allLineLocations();
      } catch (AbsentInformationException e) {
        // Abstract, native, or without a line table: nowhere to stop.
        continue;
      }
      byte[] code = method.bytecodes();
      for (int at = 0; at < code.length; at += length(code, at)) {
        places.add(method.locationOfCodeIndex(at));
      }
      jumps(method).forEach((at, next) -> jump(method, at, next));
    }
    for (Location at : places) {
      BreakpointRequest request = requests.createBreakpointRequest(at);
      request.setSuspendPolicy(EventRequest.SUSPEND_EVENT_THREAD);
      request.enable();
    }
  }

  private void jump(Method method, int at, int next) {
    Location location = method.locationOfCodeIndex(at);
    String line = method.declaringType().name() + ":" + location.lineNumber();
    jumps.put(key(location), new Jump(line, next));
  }

  private static String key(Location at) {
    return at.declaringType().name()
        + "."
        + at.method().name()
        + at.method().signature()
        + "@"
        + at.codeIndex();
  }

  private void arrived(EventRequestManager requests, BreakpointEvent hit) {
    Location at = hit.location();
    String line = at.declaringType().name() + ":" + at.lineNumber();
    touched.add(line);
    if (isEntry(at) && !jumpsOn(at)) {
      entered.add(line);
    }
    Jump jump = jumps.get(key(at));
    if (jump == null || jump.ways.size() == 2 || ++jump.hits > PATIENCE) {
      hit.request().disable();
      return;
    }
    ThreadReference thread = hit.thread();
    boolean stepping =
        requests.stepRequests().stream().anyMatch(step -> step.thread().equals(thread));
    if (!stepping) {
      StepRequest step =
          requests.createStepRequest(thread, StepRequest.STEP_MIN, StepRequest.STEP_INTO);
      step.putProperty("jump", jump);
      step.addCountFilter(1);
      step.setSuspendPolicy(EventRequest.SUSPEND_EVENT_THREAD);
      step.enable();
    }
  }

  /** Whether the instruction is an unconditional jump to code behind it. */
  private static boolean jumpsOn(Location at) {
    byte[] code = at.method().bytecodes();
    int index = (int) at.codeIndex();
    return (code[index] & 0xFF) == 167 && code[index + 1] >= 0;
  }

  private static boolean isEntry(Location at) {
    try {
      return at.method().locationsOfLine(at.lineNumber()).contains(at);
    } catch (AbsentInformationException e) {
      return false;
    }
  }

  /** Where the conditional jumps of a method stand, and where control goes on behind each. */
  private static Map<Integer, Integer> jumps(Method method) {
    byte[] code = method.bytecodes();
    Map<Integer, Integer> found = new HashMap<>();
    for (int at = 0; at < code.length; at += length(code, at)) {
      int opcode = code[at] & 0xFF;
      boolean asks = opcode >= 153 && opcode <= 166 || opcode == 198 || opcode == 199;
      if (asks) {
        found.put(at, at + 3);
      }
    }
    return found;
  }

  /** The length of an instruction; Java Virtual Machine Specification, chapter 6.5. */
  private static int length(byte[] code, int at) {
    int opcode = code[at] & 0xFF;
    int operands = (at + 4) / 4 * 4;
    return switch (opcode) {
      case 16, 18, 21, 22, 23, 24, 25, 54, 55, 56, 57, 58, 169, 188 -> 2;
      case 17,
          19,
          20,
          132,
          167,
          168,
          178,
          179,
          180,
          181,
          182,
          183,
          184,
          187,
          189,
          192,
          193,
          198,
          199 ->
          3;
      case 185, 186, 200, 201 -> 5;
      case 197 -> 4;
      case 170 ->
          operands + 12 + 4 * (number(code, operands + 8) - number(code, operands + 4) + 1) - at;
      case 171 -> operands + 8 + 8 * number(code, operands + 4) - at;
      case 196 -> (code[at + 1] & 0xFF) == 132 ? 6 : 4;
      default -> opcode >= 153 && opcode <= 166 ? 3 : 1;
    };
  }

  private static int number(byte[] code, int at) {
    return (code[at] & 0xFF) << 24
        | (code[at + 1] & 0xFF) << 16
        | (code[at + 2] & 0xFF) << 8
        | code[at + 3] & 0xFF;
  }

  // ---- by hand ----

  private static final Pattern CELL =
      Pattern.compile("\"((?:[^\"]|\"\")*)\"(?:,|$)|([^,]*)(?:,|$)");

  /** Reads what {@code atalaya export} wrote. */
  static List<List<String>> rows(String csv) {
    List<List<String>> rows = new ArrayList<>();
    for (String row : csv.split("\r\n")) {
      List<String> cells = new ArrayList<>();
      Matcher cell = CELL.matcher(row);
      int end = -1;
      while (end < row.length() && cell.find()) {
        cells.add(cell.group(1) != null ? cell.group(1).replace("\"\"", "\"") : cell.group(2));
        end = cell.end();
      }
      rows.add(cells);
    }
    return rows;
  }

  /** {@code PROJECT LINES.csv OUTCOMES.csv JAVA-OPTIONS MAIN-CLASS-AND-ARGUMENTS}. */
  public static void main(String[] args) throws Exception {
    Comparison found =
        compare(
            Path.of(args[0]),
            rows(Files.readString(Path.of(args[1]))),
            rows(Files.readString(Path.of(args[2]))),
            args[3],
            args[4]);
    found.disagreed().forEach(System.out::println);
    System.out.println(
        found.lines()
            + " lines and "
            + found.lineOutcomes()
            + " outcomes compared, "
            + found.notCompared()
            + " outcomes not; disagreed on "
            + found.disagreed().size());
    System.exit(found.disagreed().isEmpty() ? 0 : 1);
  }
}

package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.jdi.AbsentInformationException;
import com.sun.jdi.Bootstrap;
import com.sun.jdi.Location;
import com.sun.jdi.ReferenceType;
import com.sun.jdi.VMDisconnectedException;
import com.sun.jdi.VirtualMachine;
import com.sun.jdi.connect.Connector;
import com.sun.jdi.connect.LaunchingConnector;
import com.sun.jdi.event.BreakpointEvent;
import com.sun.jdi.event.ClassPrepareEvent;
import com.sun.jdi.event.Event;
import com.sun.jdi.event.EventSet;
import com.sun.jdi.event.VMDisconnectEvent;
import com.sun.jdi.request.BreakpointRequest;
import com.sun.jdi.request.ClassPrepareRequest;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A check that shares no code with Atalaya: the JVM's debugger interface says of every entry of the
 * line tables whether its first instruction began to execute. Only where a {@code catch} follows a
 * block on its line it can't tell the handler from the code that closes the block's resources.
 */
class DebuggerTest {
  @TempDir Path folder;

  @Test
  void agreesOnEveryLineOfTheConstructs() throws Exception {
    Constructs constructs = Constructs.compiledIn(folder);
    assertThat(constructs.observe().exitCode()).isZero();
    Set<String> reached = reachedByDebugger();
    Set<String> disagreed = new TreeSet<>();
    int lines = 0;
    List<List<String>> rows = constructs.export("lines");
    for (List<String> row : rows.subList(1, rows.size())) {
      lines++;
      String line = row.get(1) + ":" + row.get(3);
      boolean closes = constructs.text(row.get(0), row.get(3)).startsWith("} catch (");
      if (!closes && reached.contains(line) != row.get(4).equals("true")) {
        disagreed.add(line + " atalaya: " + row.get(4));
      }
    }
    assertThat(lines).isGreaterThan(250);
    assertThat(disagreed).isEmpty();
  }

  /** Class and line of every breakpoint that was hit; there is one at each entry. */
  private Set<String> reachedByDebugger() throws Exception {
    LaunchingConnector connector = Bootstrap.virtualMachineManager().defaultConnector();
    Map<String, Connector.Argument> arguments = connector.defaultArguments();
    arguments.get("main").setValue("Drive");
    arguments.get("options").setValue("-ea -cp \"" + folder.resolve("out") + "\"");
    VirtualMachine machine = connector.launch(arguments);
    ClassPrepareRequest prepared = machine.eventRequestManager().createClassPrepareRequest();
    for (String platform : new String[] {"java.*", "javax.*", "jdk.*", "sun.*"}) {
      prepared.addClassExclusionFilter(platform);
    }
    prepared.enable();
    Set<String> reached = new HashSet<>();
    try {
      while (true) {
        EventSet events = machine.eventQueue().remove();
        for (Event event : events) {
          if (event instanceof ClassPrepareEvent prepare) {
            breakpoints(machine, prepare.referenceType());
          } else if (event instanceof BreakpointEvent hit) {
            Location at = hit.location();
            reached.add(at.declaringType().name() + ":" + at.lineNumber());
            hit.request().disable();
          } else if (event instanceof VMDisconnectEvent) {
            return reached;
          }
        }
        events.resume();
      }
    } catch (VMDisconnectedException e) {
      return reached;
    }
  }

  private static void breakpoints(VirtualMachine machine, ReferenceType type) {
    try {
      for (Location location : type.allLineLocations()) {
        BreakpointRequest request = machine.eventRequestManager().createBreakpointRequest(location);
        request.enable();
      }
    } catch (AbsentInformationException e) {
      // A class without a line table has no entries to stop at.
      return;
    }
  }
}

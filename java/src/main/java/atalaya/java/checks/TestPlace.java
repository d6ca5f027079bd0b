package atalaya.java.checks;

import atalaya.core.run.TestId;
import java.util.Optional;

/**
 * Where a test stands.
 *
 * @param className the binary name
 * @param method its name without parameters
 */
public record TestPlace(String className, String method) {
  /** The place of a test, by the framework's id for it; empty when the id does not tell. */
  public static Optional<TestPlace> of(String id) {
    TestId of = TestId.of(id);
    return of.className().isEmpty() || of.method().isEmpty()
        ? Optional.empty()
        : Optional.of(new TestPlace(of.className(), of.methodName()));
  }
}

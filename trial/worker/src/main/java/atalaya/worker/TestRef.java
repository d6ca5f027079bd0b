package atalaya.worker;

/** A test that can be run. */
final class TestRef {
  final int number;

  /** One of {@link Message}. */
  final int framework;

  /** Its class, as a rule; what is set up for one test of a class is set up for all. */
  final String container;

  /** As the framework calls it. */
  final String id;

  /**
   * Whether all tests of its class that are known may run when any does: none of them failed, or
   * passes only now and then.
   */
  final boolean amongFit;

  /** How many steps it takes unmutated; 0 while that is not known. */
  final long steps;

  /** How long it takes unmutated; 0 while that is not known. */
  final long nanos;

  TestRef(
      int number,
      int framework,
      String container,
      String id,
      boolean amongFit,
      long steps,
      long nanos) {
    this.number = number;
    this.framework = framework;
    this.container = container;
    this.id = id;
    this.amongFit = amongFit;
    this.steps = steps;
    this.nanos = nanos;
  }
}

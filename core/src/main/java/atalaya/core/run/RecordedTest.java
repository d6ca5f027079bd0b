package atalaya.core.run;

/**
 * Where a test of a merged run comes from.
 *
 * @param number of the test in the merged run
 * @param recording the id of its recording
 * @param id of the test in it
 */
public record RecordedTest(int number, String recording, String id) {}

package atalaya.cli.render;

import atalaya.core.plan.Brief;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Way;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A plan as an object for JSON. */
public final class BriefJson {
  private BriefJson() {}

  /** The object's keys. */
  public static Map<String, Object> of(Plan plan, List<Remedy> remedies, int minutesPerPoint) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("tests", plan.briefs().size());
    object.put("minutes", plan.points() * minutesPerPoint);
    object.put("unwatchedBefore", plan.before());
    object.put("unwatchedAfter", plan.after());
    object.put("briefs", plan.briefs().stream().map(b -> brief(b, minutesPerPoint)).toList());
    object.put("remedies", remedies.stream().map(BriefJson::remedy).toList());
    return object;
  }

  private static Map<String, Object> remedy(Remedy remedy) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("kind", remedy.kind().label());
    object.put("method", remedy.method());
    object.put("unwatched", remedy.unwatched());
    object.put("words", remedy.words());
    return object;
  }

  private static Map<String, Object> brief(Brief brief, int minutesPerPoint) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("name", brief.name());
    object.put("kind", brief.kind().name().toLowerCase(java.util.Locale.ROOT));
    object.put("path", brief.path());
    object.put("method", brief.method());
    object.put("gain", brief.gain());
    object.put("weighted", brief.weighted());
    object.put("unwatchedBefore", brief.before());
    object.put("unwatchedAfter", brief.after());
    object.put("points", brief.effort().points());
    object.put("minutes", brief.effort().points() * minutesPerPoint);
    object.put("effort", brief.effort().reasons());
    object.put("reachesLines", brief.opens().lines());
    object.put("reachesOutcomes", brief.opens().outcomes());
    object.put("reachesMethods", brief.opens().methods());
    object.put("closes", brief.closes());
    object.put("startTest", brief.start().test());
    object.put("testClass", brief.start().testClass());
    object.put("testClassExists", brief.start().exists());
    object.put("changes", brief.start().changes());
    object.put("examples", brief.start().examples().stream().map(BriefJson::example).toList());
    object.putAll(way(brief.way().orElse(Way.NONE)));
    object.put(
        "also", brief.way().map(Way::also).orElse(List.of()).stream().map(BriefJson::way).toList());
    object.put("unnoticed", brief.missing());
    object.put("surroundings", brief.way().map(Way::surroundings).orElse(List.of()));
    object.put("notes", brief.notes());
    return object;
  }

  private static Map<String, Object> example(Brief.Example example) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("code", example.code());
    object.put("place", example.place());
    return object;
  }

  private static Map<String, Object> way(Way way) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("calls", way.calls());
    object.put("way", way.steps().stream().map(BriefJson::step).toList());
    object.put("values", way.setUp().givens().stream().map(BriefJson::given).toList());
    object.put("code", way.setUp().code());
    object.put("assumed", way.setUp().assumed());
    object.put("open", way.setUp().open());
    object.put("mayFail", way.setUp().mayFail().orElse(null));
    object.put("asserts", way.result().asserts());
    return object;
  }

  private static Map<String, Object> step(Way.Step step) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("method", step.method());
    object.put("line", step.line());
    object.put("condition", step.condition());
    object.put("outcome", step.outcome());
    return object;
  }

  private static Map<String, Object> given(Way.Given given) {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("name", given.name());
    object.put("type", given.type());
    object.put("value", given.value());
    object.put("beside", given.beside());
    object.put("how", given.how());
    return object;
  }
}

package atalaya.agent;

import atalaya.points.AgentOptions;
import atalaya.points.Hash;
import java.io.File;
import java.lang.instrument.ClassFileTransformer;
import java.net.URL;
import java.security.CodeSource;
import java.security.ProtectionDomain;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.WeakHashMap;

/** Decides class by class what is observed, and plants points there. */
final class Observer implements ClassFileTransformer {
  private final AgentOptions options;
  private final Recorder recorder;
  private final KeptClasses kept;
  private final List<String> observedPlaces = new ArrayList<>();
  private final String root;
  private final Map<ProtectionDomain, Place> places = new WeakHashMap<>();
  private final Map<String, Integer> indexOfClass = new HashMap<>();

  private enum Kind {
    OTHER,
    OBSERVED,
    /** A jar below the project's root: it may hold classes of the class folders. */
    JAR
  }

  private static final class Place {
    final Kind kind;
    final String path;

    Place(Kind kind, String path) {
      this.kind = kind;
      this.path = path;
    }
  }

  Observer(AgentOptions options, Recorder recorder) {
    this.options = options;
    this.recorder = recorder;
    this.kept = new KeptClasses(options.kept, Planter.kind(options.detail));
    this.root = real(options.root) + File.separator;
    for (File place : options.classes) {
      observedPlaces.add(real(place));
    }
  }

  @Override
  public byte[] transform(
      ClassLoader loader,
      String name,
      Class<?> redefined,
      ProtectionDomain domain,
      byte[] original) {
    if (name == null || domain == null) {
      return null;
    }
    try {
      if (TestHooks.wants(name)) {
        return TestHooks.hook(name, original);
      }
      Place place = placeOf(domain);
      return isObserved(place, name) ? plant(name, place, original) : null;
    } catch (RuntimeException | Error e) {
      recorder.notPlanted(name.replace('/', '.'), reason(e));
      return null;
    }
  }

  private static String reason(Throwable e) {
    return e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
  }

  private byte[] plant(String name, Place place, byte[] original) {
    String className = name.replace('/', '.');
    String hash = Hash.of(original);
    int index = reserve(className + hash);
    Planted planted = kept.get(hash, () -> Planter.plant(original, options.detail));
    int marks = PlantedClass.marks(planted.type.points());
    int base = recorder.room(index, marks, Planter.hasConstant(original));
    for (String method : planted.leftAlone) {
      recorder.notPlanted(
          className, "its method " + method + " would be larger than the JVM allows");
    }
    recorder.planted(index, className, hash, planted.type, place.path);
    return planted.at(index, base);
  }

  /** The same class in several loaders shares its marks. */
  private synchronized int reserve(String classAndHash) {
    Integer known = indexOfClass.get(classAndHash);
    if (known != null) {
      return known;
    }
    int index = indexOfClass.size();
    indexOfClass.put(classAndHash, index);
    return index;
  }

  private boolean isObserved(Place place, String name) {
    switch (place.kind) {
      case OBSERVED:
        return true;
      case JAR:
        String file = name.replace('/', File.separatorChar) + ".class";
        for (File folder : options.classes) {
          if (new File(folder, file).isFile()) {
            return true;
          }
        }
        return false;
      default:
        return false;
    }
  }

  private Place placeOf(ProtectionDomain domain) {
    synchronized (places) {
      Place place = places.get(domain);
      if (place == null) {
        place = findPlace(domain.getCodeSource());
        places.put(domain, place);
      }
      return place;
    }
  }

  private Place findPlace(CodeSource source) {
    URL url = source == null ? null : source.getLocation();
    if (url == null || !"file".equals(url.getProtocol())) {
      return new Place(Kind.OTHER, "");
    }
    String path;
    try {
      path = real(new File(url.toURI()));
    } catch (java.net.URISyntaxException | IllegalArgumentException e) {
      path = real(new File(url.getPath()));
    }
    if (observedPlaces.contains(path)) {
      return new Place(Kind.OBSERVED, path);
    }
    boolean jar = path.startsWith(root) && path.endsWith(".jar");
    return new Place(jar ? Kind.JAR : Kind.OTHER, path);
  }

  private static String real(File file) {
    try {
      return file.getCanonicalPath();
    } catch (java.io.IOException e) {
      return file.getAbsolutePath();
    }
  }
}

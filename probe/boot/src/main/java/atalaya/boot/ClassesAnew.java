package atalaya.boot;

import java.io.File;
import java.io.IOException;
import java.net.MalformedURLException;
import java.net.URL;
import java.net.URLClassLoader;
import java.security.AccessController;
import java.security.PrivilegedAction;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Properties;
import java.util.TimeZone;

/**
 * The classes of the class path loaded once more, as in a new JVM: what tests and mutants left
 * behind in those loaded before is not in them. Test frameworks stay as they are, warm. While it is
 * open, it is the context's; what is set for the whole JVM is put back when it is closed. Here, so
 * that a test that forbids the project's code to read files does not keep it from its classes.
 */
public final class ClassesAnew extends URLClassLoader {
  private static final String[] FRAMEWORKS = {
    "atalaya.",
    "junit.",
    "org.junit.",
    "org.testng.",
    // What the frameworks show to tests in their own methods has to be the same on both sides.
    "org.hamcrest.",
    "org.opentest4j.",
    "org.apiguardian.",
  };

  static {
    registerAsParallelCapable();
  }

  private final ClassLoader before = Thread.currentThread().getContextClassLoader();
  private final Properties properties = (Properties) System.getProperties().clone();
  private final TimeZone zone = TimeZone.getDefault();
  private final Locale locale = Locale.getDefault();
  private final Locale display = Locale.getDefault(Locale.Category.DISPLAY);
  private final Locale format = Locale.getDefault(Locale.Category.FORMAT);

  private ClassesAnew(URL[] classPath) {
    super(classPath, getSystemClassLoader().getParent());
  }

  /** Opens one. */
  public static ClassesAnew open() throws MalformedURLException {
    List<URL> classPath = new ArrayList<>();
    for (String entry : System.getProperty("java.class.path").split(File.pathSeparator)) {
      classPath.add(new File(entry).toURI().toURL());
    }
    URL[] urls = classPath.toArray(new URL[0]);
    ClassesAnew opened =
        AccessController.doPrivileged((PrivilegedAction<ClassesAnew>) () -> new ClassesAnew(urls));
    Thread.currentThread().setContextClassLoader(opened);
    return opened;
  }

  @Override
  protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
    for (String framework : FRAMEWORKS) {
      if (name.startsWith(framework)) {
        return getSystemClassLoader().loadClass(name);
      }
    }
    return super.loadClass(name, resolve);
  }

  @Override
  public void close() throws IOException {
    Thread.currentThread().setContextClassLoader(before);
    System.setProperties(properties);
    TimeZone.setDefault(zone);
    Locale.setDefault(locale);
    Locale.setDefault(Locale.Category.DISPLAY, display);
    Locale.setDefault(Locale.Category.FORMAT, format);
    super.close();
  }
}

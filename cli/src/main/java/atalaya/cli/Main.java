package atalaya.cli;

/** Where the program starts, and the only place that ends it. */
public final class Main {
  private Main() {}

  /** Runs a command and ends with its exit code. */
  public static void main(String[] arguments) {
    if (arguments.length == 1 && (arguments[0].equals("--version") || arguments[0].equals("-V"))) {
      // Answered before anything else is loaded.
      System.out.println("atalaya " + Version.TEXT);
      return;
    }
    Console console = Console.ofProcess();
    int exitCode = Atalaya.run(arguments, console);
    console.out().flush();
    console.err().flush();
    System.exit(exitCode);
  }
}

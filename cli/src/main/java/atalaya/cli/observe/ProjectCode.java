package atalaya.cli.observe;

import atalaya.java.ClassBytes;
import atalaya.java.ProjectModel;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.java.source.SourceFile;
import atalaya.launch.project.FoundClass;
import atalaya.launch.project.FoundSource;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectFiles;
import atalaya.launch.project.ProjectModule;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** The class files and sources of the code to observe, as they are at one time. */
record ProjectCode(List<FoundClass> classes, List<FoundSource> sources) {
  static ProjectCode of(List<ProjectModule> modules) throws IOException {
    return new ProjectCode(ProjectFiles.classes(modules), ProjectFiles.sources(modules));
  }

  /**
   * What they say.
   *
   * @param parsed sources that were parsed before, of these or others; emptied
   */
  ProjectModel read(Project project, Map<SourceText, SourceFile> parsed) {
    return ProjectReader.read(
        classes.stream()
            .map(found -> new ClassBytes(found.module().name(), found.name(), found.bytes()))
            .toList(),
        texts(project, sources),
        parsed);
  }

  /** Source files as they are to be read. */
  static List<SourceText> texts(Project project, List<FoundSource> sources) {
    return sources.stream()
        .map(
            s ->
                new SourceText(
                    s.module().name(), project.relative(s.file()), s.packagePath(), s.text()))
        .toList();
  }

  /** Whether the files are the same, and say the same. */
  boolean saysTheSame(ProjectCode other) {
    return classes.size() == other.classes.size()
        && sources.size() == other.sources.size()
        && allSame(other);
  }

  private boolean allSame(ProjectCode other) {
    for (int i = 0; i < classes.size(); i++) {
      FoundClass one = classes.get(i);
      FoundClass another = other.classes.get(i);
      if (!one.file().equals(another.file())
          || !one.name().equals(another.name())
          || !Arrays.equals(one.bytes(), another.bytes())) {
        return false;
      }
    }
    for (int i = 0; i < sources.size(); i++) {
      FoundSource one = sources.get(i);
      FoundSource another = other.sources.get(i);
      if (!one.file().equals(another.file()) || !one.text().equals(another.text())) {
        return false;
      }
    }
    return true;
  }
}

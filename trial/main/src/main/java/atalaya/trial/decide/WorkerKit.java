package atalaya.trial.decide;

import java.nio.file.Path;

/**
 * What a worker needs besides the project.
 *
 * @param worker the worker's jar
 * @param boot the jar for its boot class path
 */
public record WorkerKit(Path worker, Path boot) {}

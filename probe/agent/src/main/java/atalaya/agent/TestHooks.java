package atalaya.agent;

import java.util.HashMap;
import java.util.Map;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/**
 * Lets test frameworks say which test runs: a call is put at the entry of the methods through which
 * each framework tells its own listeners. So it works whichever class loader the framework is in.
 */
final class TestHooks {
  private static final String DESCRIPTOR = "org/junit/platform/engine/TestDescriptor";
  private static final String RESULT = "org/junit/platform/engine/TestExecutionResult";
  private static final String DESCRIPTION = "org/junit/runner/Description";
  private static final String OLD_TEST = "junit/framework/Test";
  private static final String NG_RESULT = "org/testng/ITestResult";
  private static final String FAILURE = "org/junit/runner/notification/Failure";

  private static final Map<String, Map<String, AtEntry.Call>> HOOKS = new HashMap<>();

  static {
    Map<String, AtEntry.Call> platform = new HashMap<>();
    platform.put("executionStarted(L" + DESCRIPTOR + ";)V", TestHooks::platformStarted);
    platform.put(
        "executionFinished(L" + DESCRIPTOR + ";L" + RESULT + ";)V", TestHooks::platformFinished);
    platform.put(
        "executionSkipped(L" + DESCRIPTOR + ";Ljava/lang/String;)V", TestHooks::platformSkipped);
    HOOKS.put("org/junit/platform/launcher/core/ExecutionListenerAdapter", platform);

    Map<String, AtEntry.Call> notifier = new HashMap<>();
    notifier.put("fireTestRunStarted(L" + DESCRIPTION + ";)V", TestHooks::notifierRunStarted);
    notifier.put("fireTestStarted(L" + DESCRIPTION + ";)V", TestHooks::notifierStarted);
    notifier.put("fireTestFinished(L" + DESCRIPTION + ";)V", TestHooks::notifierFinished);
    notifier.put("fireTestIgnored(L" + DESCRIPTION + ";)V", TestHooks::notifierSkipped);
    notifier.put("fireTestFailure(L" + FAILURE + ";)V", TestHooks::notifierFailed);
    HOOKS.put("org/junit/runner/notification/RunNotifier", notifier);

    Map<String, AtEntry.Call> oldResult = new HashMap<>();
    oldResult.put("startTest(L" + OLD_TEST + ";)V", TestHooks::oldStarted);
    oldResult.put("endTest(L" + OLD_TEST + ";)V", TestHooks::oldFinished);
    oldResult.put("addError(L" + OLD_TEST + ";Ljava/lang/Throwable;)V", TestHooks::oldFailed);
    oldResult.put(
        "addFailure(L" + OLD_TEST + ";Ljunit/framework/AssertionFailedError;)V",
        TestHooks::oldFailed);
    HOOKS.put("junit/framework/TestResult", oldResult);

    Map<String, AtEntry.Call> testNg = new HashMap<>();
    String told = "runTestListeners(L" + NG_RESULT + ";Ljava/util/";
    testNg.put(told + "List;)V", TestHooks::ngChanged);
    testNg.put(told + "Collection;)V", TestHooks::ngChanged);
    HOOKS.put("org/testng/internal/TestListenerHelper", testNg);
    HOOKS.put("org/testng/internal/Invoker", testNg);
  }

  private TestHooks() {}

  /** Whether a class of a framework gets hooks. */
  static boolean wants(String internalName) {
    return HOOKS.containsKey(internalName);
  }

  /** The class with its hooks. */
  static byte[] hook(String internalName, byte[] original) {
    return AtEntry.in(original, HOOKS.get(internalName)::get);
  }

  private static void platformStarted(MethodVisitor to) {
    to.visitLdcInsn(TestClock.PLATFORM);
    platformId(to);
    onInterface(to, DESCRIPTOR, "getDisplayName", "()Ljava/lang/String;");
    onInterface(to, DESCRIPTOR, "isTest", "()Z");
    tell(to, "started", "Ljava/lang/String;Z");
  }

  private static void platformFinished(MethodVisitor to) {
    to.visitLdcInsn(TestClock.PLATFORM);
    platformId(to);
    onInterface(to, DESCRIPTOR, "isTest", "()Z");
    to.visitVarInsn(Opcodes.ALOAD, 2);
    to.visitMethodInsn(
        Opcodes.INVOKEVIRTUAL, RESULT, "getStatus", "()L" + RESULT + "$Status;", false);
    text(to);
    tell(to, "finished", "ZLjava/lang/String;");
  }

  private static void platformSkipped(MethodVisitor to) {
    to.visitLdcInsn(TestClock.PLATFORM);
    platformId(to);
    onInterface(to, DESCRIPTOR, "getDisplayName", "()Ljava/lang/String;");
    onInterface(to, DESCRIPTOR, "isTest", "()Z");
    tell(to, "skipped", "Ljava/lang/String;Z");
  }

  private static void platformId(MethodVisitor to) {
    onInterface(to, DESCRIPTOR, "getUniqueId", "()Lorg/junit/platform/engine/UniqueId;");
    text(to);
  }

  private static void notifierRunStarted(MethodVisitor to) {
    to.visitLdcInsn(TestClock.NOTIFIER);
    to.visitLdcInsn("");
    to.visitLdcInsn("");
    to.visitInsn(Opcodes.ICONST_0);
    tell(to, "started", "Ljava/lang/String;Z");
  }

  private static void oldStarted(MethodVisitor to) {
    oldId(to);
    to.visitVarInsn(Opcodes.ALOAD, 1);
    text(to);
    to.visitInsn(Opcodes.ICONST_1);
    tell(to, "started", "Ljava/lang/String;Z");
  }

  private static void oldFinished(MethodVisitor to) {
    oldId(to);
    to.visitInsn(Opcodes.ICONST_1);
    to.visitLdcInsn("SUCCESSFUL");
    tell(to, "finished", "ZLjava/lang/String;");
  }

  private static void oldFailed(MethodVisitor to) {
    oldId(to);
    tell(to, "failed", "");
  }

  private static void oldId(MethodVisitor to) {
    to.visitLdcInsn(TestClock.OLD);
    to.visitVarInsn(Opcodes.ALOAD, 1);
    text(to);
  }

  /** A static method: its first parameter stands in slot 0. */
  private static void ngChanged(MethodVisitor to) {
    to.visitVarInsn(Opcodes.ALOAD, 0);
    to.visitInsn(Opcodes.DUP);
    ask(to, NG_RESULT, "getTestClass", "()Lorg/testng/IClass;");
    ask(to, "org/testng/IClass", "getName", "()Ljava/lang/String;");
    to.visitVarInsn(Opcodes.ALOAD, 0);
    ask(to, NG_RESULT, "getName", "()Ljava/lang/String;");
    to.visitVarInsn(Opcodes.ALOAD, 0);
    ask(to, NG_RESULT, "getStatus", "()I");
    to.visitMethodInsn(
        Opcodes.INVOKESTATIC,
        "atalaya/boot/Tests",
        "changed",
        "(Ljava/lang/Object;Ljava/lang/String;Ljava/lang/String;I)V",
        false);
  }

  private static void notifierStarted(MethodVisitor to) {
    notifierId(to);
    description(to);
    to.visitInsn(Opcodes.ICONST_1);
    tell(to, "started", "Ljava/lang/String;Z");
  }

  private static void notifierFinished(MethodVisitor to) {
    notifierId(to);
    to.visitInsn(Opcodes.ICONST_1);
    to.visitLdcInsn("SUCCESSFUL");
    tell(to, "finished", "ZLjava/lang/String;");
  }

  private static void notifierSkipped(MethodVisitor to) {
    notifierId(to);
    description(to);
    to.visitInsn(Opcodes.ICONST_1);
    tell(to, "skipped", "Ljava/lang/String;Z");
  }

  private static void notifierFailed(MethodVisitor to) {
    to.visitLdcInsn(TestClock.NOTIFIER);
    to.visitVarInsn(Opcodes.ALOAD, 1);
    to.visitMethodInsn(
        Opcodes.INVOKEVIRTUAL, FAILURE, "getDescription", "()L" + DESCRIPTION + ";", false);
    text(to);
    tell(to, "failed", "");
  }

  private static void notifierId(MethodVisitor to) {
    to.visitLdcInsn(TestClock.NOTIFIER);
    description(to);
  }

  private static void description(MethodVisitor to) {
    to.visitVarInsn(Opcodes.ALOAD, 1);
    to.visitMethodInsn(
        Opcodes.INVOKEVIRTUAL, DESCRIPTION, "getDisplayName", "()Ljava/lang/String;", false);
  }

  private static void onInterface(MethodVisitor to, String owner, String name, String descriptor) {
    to.visitVarInsn(Opcodes.ALOAD, 1);
    ask(to, owner, name, descriptor);
  }

  private static void ask(MethodVisitor to, String owner, String name, String descriptor) {
    to.visitMethodInsn(Opcodes.INVOKEINTERFACE, owner, name, descriptor, true);
  }

  private static void text(MethodVisitor to) {
    to.visitMethodInsn(
        Opcodes.INVOKESTATIC,
        "java/lang/String",
        "valueOf",
        "(Ljava/lang/Object;)Ljava/lang/String;",
        false);
  }

  private static void tell(MethodVisitor to, String method, String more) {
    to.visitMethodInsn(
        Opcodes.INVOKESTATIC,
        "atalaya/boot/Tests",
        method,
        "(Ljava/lang/String;Ljava/lang/String;" + more + ")V",
        false);
  }
}

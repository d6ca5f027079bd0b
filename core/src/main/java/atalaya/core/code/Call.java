package atalaya.core.code;

/**
 * A call, or the making of a lambda or a method reference, of which the body may be called later.
 *
 * @param node the node of the flow that control passed last before it
 * @param owner the binary name of the class that is named
 * @param method name and descriptor
 * @param isVirtual whether a subclass may answer instead
 */
public record Call(int node, String owner, String method, boolean isVirtual) {}

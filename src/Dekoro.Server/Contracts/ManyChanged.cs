namespace Dekoro.Server.Contracts;

/// <param name="Changed">How many: those that someone else had changed meanwhile are left as they are.</param>
public sealed record ManyChanged(int Changed);

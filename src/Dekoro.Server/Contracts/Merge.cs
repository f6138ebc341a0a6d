namespace Dekoro.Server.Contracts;

/// <param name="Into">The picture that stays, with its words and all places of both.</param>
/// <param name="IntoVersion">The version of it that was seen.</param>
public sealed record Merge(string Into, long IntoVersion);

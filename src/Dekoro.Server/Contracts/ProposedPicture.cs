namespace Dekoro.Server.Contracts;

/// <summary>A picture that could be taken.</summary>
/// <param name="InLibrary">It is the library's own file already; its words there stay.</param>
/// <param name="Note">Something to know although it can be taken.</param>
public sealed record ProposedPicture(FileItem File, bool InLibrary, string? Note);

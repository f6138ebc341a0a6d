namespace Dekoro.Server.Contracts;

/// <summary>A page with a link to a file.</summary>
public sealed record LinkingPage(string PageId, string PageTitle);

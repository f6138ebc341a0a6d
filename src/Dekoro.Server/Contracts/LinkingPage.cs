namespace Dekoro.Server.Contracts;

public sealed record LinkingPage(string PageId, string PageTitle);

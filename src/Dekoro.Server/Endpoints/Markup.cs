namespace Dekoro.Server.Endpoints;

/// <param name="Html">As the public page will have it, laid out to be read.</param>
public sealed record Markup(string Html);

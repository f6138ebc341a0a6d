namespace Dekoro.Core.Choices;

/// <param name="Target">A page's id or an address, as its kind asks; empty for the others.</param>
public sealed record LinkChoice(FigureLinkKind Kind, string Target = "")
{
    /// <summary>Nowhere.</summary>
    public static LinkChoice None { get; } = new(FigureLinkKind.None);
}

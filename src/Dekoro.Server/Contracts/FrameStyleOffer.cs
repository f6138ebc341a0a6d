using Dekoro.Core.Choices;

namespace Dekoro.Server.Contracts;

/// <summary>A look that pictures of the site share.</summary>
/// <param name="Places">How many have it.</param>
/// <param name="Seen">Names it as it is, for saying with If-Match what a change started from.</param>
public sealed record FrameStyleOffer(string Id, string Name, FrameStyleValues Look, int Places, string Seen);

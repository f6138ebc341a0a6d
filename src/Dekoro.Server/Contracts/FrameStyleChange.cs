using Dekoro.Core.Choices;

namespace Dekoro.Server.Contracts;

/// <param name="Name">Told apart from the others by it.</param>
public sealed record FrameStyleChange(string Name, FrameStyleValues Look);

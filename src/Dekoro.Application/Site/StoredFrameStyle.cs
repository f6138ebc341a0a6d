using Dekoro.Core.Choices;

namespace Dekoro.Application.Site;

/// <summary>A look with a name, as it is kept and sent.</summary>
public sealed record StoredFrameStyle(string Id, string Name, FrameStyleValues Look)
{
    /// <summary>As it is kept.</summary>
    public static StoredFrameStyle Of(NamedFrameStyle look) =>
        new(look.Id, look.Name, FrameStyleValues.Of(look.FrameStyle));
}

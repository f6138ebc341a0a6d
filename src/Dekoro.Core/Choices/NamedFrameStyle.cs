using System.Collections.Immutable;

namespace Dekoro.Core.Choices;

/// <summary>A look with a name, changed once for all pictures that have it.</summary>
public sealed record NamedFrameStyle(string Id, string Name, FrameStyle FrameStyle)
{
    private const int MaxName = 60,
        MaxId = 40;

    /// <summary>The looks with one more, or with one changed; or why not.</summary>
    public static NamedFrameStyles Set(
        ImmutableArray<NamedFrameStyle> looks,
        string id,
        string name,
        FrameStyleValues values
    )
    {
        name = name.Trim();
        if (id.Length is 0 or > MaxId || !id.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_'))
            return Refused("id", "The id of a look is made of letters and digits.");
        if (name.Length is 0 or > MaxName)
            return Refused("name", $"Give the look a name of at most {MaxName} letters.");
        if (looks.Any(l => l.Id != id && l.Name.Equals(name, StringComparison.OrdinalIgnoreCase)))
            return Refused("name", $"There is a look called {name} already: choose another name.");
        var reading = values.Read();
        if (reading.FrameStyle is not { } look)
            return Refused("look", reading.Sentence!);
        var (at, named) = (looks.Select(l => l.Id).ToList().IndexOf(id), new NamedFrameStyle(id, name, look));
        return new(at < 0 ? looks.Add(named) : looks.SetItem(at, named), null, null);

        static NamedFrameStyles Refused(string field, string sentence) => new(null, field, sentence);
    }
}

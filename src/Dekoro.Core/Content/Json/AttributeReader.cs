using System.Text.Json;
using Dekoro.Core.Colour;
using Dekoro.Core.Geometry;
using Dekoro.Core.Responsive;

namespace Dekoro.Core.Content;

/// <summary>The attributes of a node, or an object among them.</summary>
internal readonly struct AttributeReader(DocumentReader document, JsonElement attrs, string at)
{
    /// <summary>Whether there are any.</summary>
    public bool IsEmpty => !attrs.EnumerateObject().Any();

    /// <summary>Their names.</summary>
    public IEnumerable<string> Names => attrs.EnumerateObject().Select(one => one.Name);

    /// <summary>Whether one is given.</summary>
    public bool Has(string name) => attrs.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null;

    /// <summary>One as it is written, for what has a form of its own; undefined where it is not given.</summary>
    public JsonElement Written(string name) => Has(name) ? attrs.GetProperty(name) : default;

    /// <returns>Null for what is not an object.</returns>
    public AttributeReader? Object(string name) =>
        Written(name) is { ValueKind: JsonValueKind.Object } value
            ? new AttributeReader(document, value, $"{at}{name}.")
            : null;

    /// <summary>The objects of a list.</summary>
    public IEnumerable<AttributeReader> Objects(string name)
    {
        var (reader, from) = (document, at);
        return Written(name) is { ValueKind: JsonValueKind.Array } list
            ? list.EnumerateArray()
                .Where(one => one.ValueKind == JsonValueKind.Object)
                .Select(one => new AttributeReader(reader, one, from))
            : [];
    }

    /// <summary>Says what is wrong with one of them.</summary>
    public void Refuse(string name, string sentence) => document.Refuse(at + name, sentence);

    /// <returns>Empty where it is not given.</returns>
    public string Text(string name, int most) => OptionalText(name, most) ?? "";

    /// <returns>Null where it is not given, or empty.</returns>
    public string? TextOrNone(string name, int most) => Text(name, most) is { Length: > 0 } text ? text : null;

    /// <returns>Null where it is not given; empty words are words.</returns>
    public string? OptionalText(string name, int most)
    {
        if (!Has(name))
            return null;
        var value = Written(name);
        if (value.ValueKind != JsonValueKind.String)
            Refuse(name, "This is a text.");
        else if (value.GetString()!.Length > most)
            Refuse(name, $"This text is longer than {most} characters: shorten it.");
        else
            return value.GetString()!.Trim();
        return null;
    }

    /// <returns>Null where none is given.</returns>
    public string? Id(string name) => TextOrNone(name, NodeReader.MaxIdChars);

    /// <summary>True or false; false where it is not given.</summary>
    public bool Flag(string name)
    {
        var value = Written(name);
        if (value.ValueKind is JsonValueKind.Undefined or JsonValueKind.False)
            return false;
        if (value.ValueKind != JsonValueKind.True)
            Refuse(name, "This is true or false.");
        return true;
    }

    /// <summary>One of the values of a choice by its wire name.</summary>
    public T Choice<T>(string name, T otherwise)
        where T : struct, Enum
    {
        var text = Text(name, 40);
        if (text.Length == 0)
            return otherwise;
        if (WireName.TryRead<T>(text, out var value))
            return value;
        Refuse(name, $"“{text}” is not one of {string.Join(", ", Enum.GetValues<T>().Select(WireName.Of))}.");
        return otherwise;
    }

    /// <returns>Null where none is given.</returns>
    public Srgb? Colour(string name)
    {
        var text = Text(name, 20);
        if (text.Length == 0)
            return null;
        if (Srgb.TryParse(text, out var colour))
            return colour;
        Refuse(name, "A colour is written #rrggbb.");
        return null;
    }

    /// <summary>A whole number for each class of screen, phone first; what is not given is 0.</summary>
    public PerClass<int> Each(string name, int most)
    {
        if (!Has(name))
            return default;
        var list = Written(name);
        if (list.ValueKind == JsonValueKind.Array && list.GetArrayLength() == WidthClasses.All.Count)
        {
            var numbers = list.EnumerateArray().Select(n => Whole(n, most)).ToArray();
            if (numbers.All(n => n >= 0))
                return new(numbers[0], numbers[1], numbers[2]);
        }
        Refuse(name, $"This is a list of three whole numbers from 0 to {most}, for phone, tablet and desktop.");
        return default;
    }

    /// <returns>-1 for what is none, or out of bounds.</returns>
    private static int Whole(JsonElement number, int most) =>
        number.ValueKind == JsonValueKind.Number && number.TryGetInt32(out var i) && i >= 0 && i <= most ? i : -1;
}

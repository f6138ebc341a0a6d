using System.Runtime.CompilerServices;
using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Core.Site;
using Dekoro.Storage;

namespace Dekoro.Application.Site;

/// <summary>The site's style, kept as a setting; computed values are never kept.</summary>
public sealed class StyleShelf(Settings settings)
{
    private const string Name = "style";
    private volatile Held? _held;

    private sealed record Held(SiteStyle Style, string Mark);

    /// <summary>The style that holds now.</summary>
    public SiteStyle Current => Now.Style;

    /// <summary>Names the style as it is: another one, another mark.</summary>
    public string Mark => Now.Mark;

    /// <summary>Keeps another.</summary>
    public void Set(StoredStyle style)
    {
        settings.Set(Name, Json.Write(style));
        _held = null;
    }

    /// <summary>Works out another style from the one there is, with nobody between.</summary>
    /// <param name="change">Null leaves it.</param>
    public void Change(Func<SiteStyle, SiteStyle?> change)
    {
        settings.Change(Name, was => change(StyleOf(was.Json)) is { } now ? Json.Write(StoredStyle.Of(now)) : null);
        _held = null;
    }

    private Held Now => _held ??= Read(settings.Get(Name));

    private static Held Read(string? json)
    {
        var style = StyleOf(json);
        return new(style, MarkOf(StoredStyle.Of(style)));
    }

    private static SiteStyle StyleOf(string? json) =>
        json is null ? StoredStyle.In(Typeface.Newsreader) : Json.Read<StoredStyle>(json).ToStyle();

    /// <summary>Names a style as it is: worked out once for each.</summary>
    public static string MarkOf(SiteStyle style) => Marks.GetValue(style, s => MarkOf(StoredStyle.Of(s)));

    private static readonly ConditionalWeakTable<SiteStyle, string> Marks = [];

    /// <summary>Names any value as it is, by what is written of it.</summary>
    public static string MarkOf<T>(T value) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(Json.Write(value))).AsSpan(0, 8));
}

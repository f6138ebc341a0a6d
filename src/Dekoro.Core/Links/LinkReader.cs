using System.Text.RegularExpressions;

namespace Dekoro.Core.Links;

/// <summary>
/// The one reader of addresses: turns what was typed into a link, repairing what people commonly leave out and refusing
/// what must not be followed. Reading what was written gives the same link again.
/// </summary>
/// <remarks>URL parsing follows RFC 3986; mailto RFC 6068; tel RFC 3966.</remarks>
public static partial class LinkReader
{
    /// <summary>What was typed or pasted, as the link it means, or why it is none.</summary>
    public static LinkReading Read(string? typed, SiteAddresses site)
    {
        var text = Invisible().Replace(typed ?? "", "").Trim();
        if (text.Length == 0)
            return LinkReading.Refused("The link is empty: type an address, or choose a page.");
        if (text.Length > 2000)
            return LinkReading.Refused(
                "The address is longer than 2000 characters: check that only the address was pasted."
            );
        return ByScheme(text, site)
            ?? ByForm(text)
            ?? ByPath(text, site)
            ?? LinkReading.Refused(
                $"“{Short(text)}” is not an address: type one like https://example.org/page, or choose a page."
            );
    }

    /// <summary>What says itself what it is.</summary>
    private static LinkReading? ByScheme(string text, SiteAddresses site) =>
        text.StartsWith('#') ? Fragment(text[1..])
        : text.StartsWith(Link.Page.Scheme, StringComparison.Ordinal) ? Page(text[Link.Page.Scheme.Length..], site)
        : text.StartsWith(Link.File.Scheme, StringComparison.Ordinal) ? File(text[Link.File.Scheme.Length..], site)
        : text.StartsWith("mailto:", StringComparison.OrdinalIgnoreCase) ? Mail(text[7..], null)
        : text.StartsWith("tel:", StringComparison.OrdinalIgnoreCase) ? Telephone(text[4..], null)
        : null;

    /// <summary>Mail addresses and telephone numbers as people write them.</summary>
    private static LinkReading? ByForm(string text) =>
        BareMail().IsMatch(text) ? Mail(text, $"Read as a mail address: mailto:{text}")
        : BareTelephone().IsMatch(text) && text.Count(char.IsDigit) >= 6
            ? Telephone(text, $"Read as a telephone number: tel:{Digits(text)}")
        : null;

    private static LinkReading? ByPath(string text, SiteAddresses site)
    {
        if (text.StartsWith("//", StringComparison.Ordinal))
            return Web("https:" + text, "Added https: in front.", site);
        if (text.StartsWith('/'))
            return OwnPath(text, site);
        if (OneSlash().Match(text) is { Success: true } slash)
        {
            var scheme = slash.Groups[1].Value.ToLowerInvariant();
            return Web($"{scheme}://{text[slash.Length..]}", $"Mended the slashes after {scheme}:", site);
        }
        if (BareScheme().IsMatch(text))
            return LinkReading.Refused(
                "The name of the site is missing: type all of the address, like https://example.org/page."
            );
        if (WebScheme().IsMatch(text))
            return Web(text, null, site);
        if (Scheme().Match(text) is { Success: true } other && !HostAndPort().IsMatch(text))
            return LinkReading.Refused(
                $"An address that begins with “{other.Groups[1].Value}:” cannot be used as a link: use one "
                    + "that begins with https://."
            );
        if (site.PageAt(text) is { } page && text.Trim('/').Length > 0)
            return LinkReading.Of(new Link.Page(page), "Read as a page of this site.");
        return Host().IsMatch(text) ? Web("https://" + text, "Added https:// in front.", site) : null;
    }

    private static LinkReading Web(string address, string? repair, SiteAddresses site)
    {
        if (address.Contains(' ', StringComparison.Ordinal))
        {
            address = address.Replace(" ", "%20", StringComparison.Ordinal);
            repair = Joined(repair, "Spaces were written as %20.");
        }
        if (
            !Uri.TryCreate(address, UriKind.Absolute, out var uri)
            || uri.Host.Length == 0
            || !Host().IsMatch(uri.Host) && uri.HostNameType == UriHostNameType.Dns
        )
            return LinkReading.Refused(
                $"“{Short(address)}” has no site name that could be reached: type one like https://example.org/page."
            );
        if (uri.UserInfo.Length > 0)
            return LinkReading.Refused(
                "The address holds a user name or password, which every visitor would see: take out what "
                    + "stands before the @."
            );
        if (site.OwnHosts.Contains(uri.Authority))
            return site.PageAt(uri.AbsolutePath) is { } page
                ? LinkReading.Of(
                    new Link.Page(page, uri.Fragment.Length > 1 ? uri.Fragment[1..] : null),
                    Joined(repair, "Read as a page of this site.")
                )
                : LinkReading.Refused(
                    $"“{Short(address)}” is an address of Dekoro itself, which no visitor reaches: choose a page."
                );
        return LinkReading.Of(new Link.Web(uri.AbsoluteUri), repair);
    }

    private static LinkReading Page(string rest, SiteAddresses site)
    {
        var hash = rest.IndexOf('#', StringComparison.Ordinal);
        var (id, fragment) = hash < 0 ? (rest, null) : (rest[..hash], rest[(hash + 1)..]);
        return site.PathByPage.ContainsKey(id)
            ? LinkReading.Of(new Link.Page(id, fragment))
            : LinkReading.Refused("The page this link led to is gone: choose another page, or take the link out.");
    }

    private static LinkReading File(string id, SiteAddresses site) =>
        site.FileById.ContainsKey(id)
            ? LinkReading.Of(new Link.File(id))
            : LinkReading.Refused("The file this link led to is gone: choose another file, or take the link out.");

    private static LinkReading OwnPath(string path, SiteAddresses site)
    {
        var hash = path.IndexOf('#', StringComparison.Ordinal);
        var (at, fragment) = hash < 0 ? (path, null) : (path[..hash], path[(hash + 1)..]);
        if (
            site
                .FileById.FirstOrDefault(f =>
                    string.Equals("/" + f.Value.Address, at, StringComparison.OrdinalIgnoreCase)
                )
                .Key is
            { } file
        )
            return LinkReading.Of(new Link.File(file), "Read as a file of the library.");
        return site.PageAt(at) is { } page
            ? LinkReading.Of(new Link.Page(page, fragment), "Read as a page of this site.")
            : LinkReading.Refused($"This site has no page or file at “{Short(at)}”: choose one from the list.");
    }

    private static LinkReading Fragment(string id) =>
        FragmentId().IsMatch(id)
            ? LinkReading.Of(new Link.Here(id))
            : LinkReading.Refused("A place on this page is named by letters, digits, - and _ after the #.");

    private static LinkReading Mail(string address, string? repair) =>
        BareMail().IsMatch(address.Trim())
            ? LinkReading.Of(new Link.Mail(address.Trim()), repair)
            : LinkReading.Refused($"“{Short(address)}” is not a mail address: type one like name@example.org.");

    private static LinkReading Telephone(string number, string? repair) =>
        BareTelephone().IsMatch(number.Trim())
            ? LinkReading.Of(new Link.Telephone(Digits(number)), repair)
            : LinkReading.Refused(
                $"“{Short(number)}” is not a telephone number: type digits, with + and the country first."
            );

    private static string Digits(string number) => NotDialled().Replace(number.Trim(), "");

    private static string Joined(string? first, string then) => first is null ? then : $"{first} {then}";

    private static string Short(string text) => text.Length <= 60 ? text : text[..57] + "…";

    // Browsers strip tab and line breaks inside addresses; so do we, before anything is judged.
    [GeneratedRegex(@"[\u0000-\u001f\u007f\u00ad\u200b-\u200f\u202a-\u202e\u2060\ufeff]")]
    private static partial Regex Invisible();

    [GeneratedRegex(@"^[^\s@:/?#]+@[^\s@:/?#]+\.[^\s@:/?#.]{2,}$")]
    private static partial Regex BareMail();

    [GeneratedRegex(@"^\+?[\d\s().\-/]{3,30}$")]
    private static partial Regex BareTelephone();

    [GeneratedRegex(@"[^\d+]")]
    private static partial Regex NotDialled();

    [GeneratedRegex(@"^https?:/*$", RegexOptions.IgnoreCase)]
    private static partial Regex BareScheme();

    [GeneratedRegex(@"^https?://[^/]", RegexOptions.IgnoreCase)]
    private static partial Regex WebScheme();

    [GeneratedRegex(@"^(https?)(?::/(?!/)|:///+|:(?=[^/])|//)", RegexOptions.IgnoreCase)]
    private static partial Regex OneSlash();

    [GeneratedRegex(@"^([a-z][a-z0-9+.\-]*):", RegexOptions.IgnoreCase)]
    private static partial Regex Scheme();

    [GeneratedRegex(
        @"^[^\s/?#:]+\.[^\s/?#:]+:\d{1,5}(?:[/?#]|$)|^localhost:\d{1,5}(?:[/?#]|$)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex HostAndPort();

    [GeneratedRegex(
        @"^(?:localhost|(?:[\p{L}\p{N}](?:[\p{L}\p{N}\-]{0,61}[\p{L}\p{N}])?\.)+[\p{L}][\p{L}\p{N}\-]{1,61}"
            + @")(?::\d{1,5})?(?:[/?#].*)?$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Host();

    [GeneratedRegex(@"^[\p{L}\p{N}\-_]{1,100}$")]
    private static partial Regex FragmentId();
}

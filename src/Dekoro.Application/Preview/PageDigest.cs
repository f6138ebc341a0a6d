using System.Collections.Immutable;
using Dekoro.Core.Checks;
using Dekoro.Core.Delivery;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;

namespace Dekoro.Application.Preview;

/// <summary>
/// What was worked out of a page's plan, without the plan: kept as long as nothing is touched that its public form
/// depends on.
/// </summary>
/// <param name="Fingerprint">Of its public form, without what stands round all pages.</param>
public sealed record PageDigest(KnownPage Page, string Fingerprint)
{
    /// <summary>The site's places with which it was last looked at.</summary>
    public required SitePlaces Places { get; init; }

    /// <summary>Where its pictures stand, on it and elsewhere.</summary>
    public required ImmutableArray<PicturePlaces?> Shared { get; init; }

    /// <summary>Of each of its cuts.</summary>
    public required ImmutableArray<Ladder> Ladders { get; init; }

    /// <summary>The addresses its links were read with.</summary>
    public required SiteAddresses Addresses { get; init; }

    /// <summary>Its links as written, each once.</summary>
    public required ImmutableArray<string> LinksAsWritten { get; init; }

    /// <summary>Where each leads.</summary>
    public required ImmutableArray<string> Links { get; init; }

    /// <summary>Files of the library that it links to or that play on it.</summary>
    public required ImmutableArray<string> FileIds { get; init; }

    /// <summary>What a person should know of it; worked out when it is first asked for.</summary>
    public required Lazy<ImmutableArray<Notice>> Notices { get; init; }

    /// <summary>The notices of a page with all its parts.</summary>
    internal static ImmutableArray<Notice> NoticesOf(KnownPage page, Func<KnownPage, PlanFacts> facts)
    {
        var known = facts(page);
        return [.. page.Sheets.SelectMany(sheet => PageChecks.Of(PagePlanner.Plan(sheet, known)))];
    }
}

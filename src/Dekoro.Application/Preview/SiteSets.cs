using System.Collections.Concurrent;
using Dekoro.Application.Hosting;
using Dekoro.Core.Arrangements;
using Dekoro.Core.Media;
using Dekoro.Storage;
using NodaTime;

namespace Dekoro.Application.Preview;

/// <summary>Arrangements as they are on a day, each the same object until it is another.</summary>
public sealed class SiteSets(Workspace workspace, SiteBook book)
{
    /// <summary>Days are few: today, and those on which something changes.</summary>
    private const int MaxHeld = 20_000;

    private sealed record Held(ContentRow Row, long PicturesNumber, Arrangement Set);

    private readonly ConcurrentDictionary<(string Id, LocalDate Day), Held> _held = new();

    /// <returns>Null for one that is no more.</returns>
    public Arrangement? Of(string id, LocalDate day)
    {
        var rows = book.Now;
        if (rows.ArrangementById.GetValueOrDefault(id) is not { } row)
            return null;
        var known = _held.GetValueOrDefault((id, day));
        if (known is not null && ReferenceEquals(known.Row, row))
        {
            if (known.Set.SourceQuery is null || known.PicturesNumber == rows.PicturesNumber)
                return known.Set;
            // Pictures were touched, and mostly none that it follows.
            if (Followed(known.Set.SourceQuery).SequenceEqual(known.Set.Items.Select(i => i.AssetId)))
            {
                _held[(id, day)] = known with { PicturesNumber = rows.PicturesNumber };
                return known.Set;
            }
        }
        var set = On(ArrangementValues.Read(row.Content).Check(id).Arrangement!, day);
        if (_held.Count > MaxHeld)
            _held.Clear();
        _held[(id, day)] = new(row, rows.PicturesNumber, set);
        return set;
    }

    /// <summary>One that follows a search line holds what the library has of it.</summary>
    public Arrangement On(Arrangement set, LocalDate day) =>
        (set.SourceQuery is { } line ? set.Holding(Followed(line)) : set).On(day);

    private IEnumerable<string> Followed(string line) =>
        workspace.Assets.Search(LibraryQuery.Read(line), [], 0, Arrangement.MaxItems).Page.Select(a => a.Id).Distinct();
}

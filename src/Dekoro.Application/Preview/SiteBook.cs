using System.Collections.Concurrent;
using System.Collections.Immutable;
using Dekoro.Application.Hosting;
using Dekoro.Core.Content;
using Dekoro.Storage;

namespace Dekoro.Application.Preview;

/// <summary>
/// What is stored of a site, read once, and each thing again where the database says that it was touched. What was not
/// touched stays the very same object: whoever has worked something out of it sees so at a glance.
/// </summary>
public sealed class SiteBook(Workspace workspace)
{
    private readonly Lock _reading = new();
    private readonly ConcurrentDictionary<string, Asset?> _pictures = new();
    private readonly ConcurrentDictionary<string, (string Draft, Document Document)> _documents = new();
    private long _writes = -1;
    private SiteRows? _rows;

    /// <summary>As it is stored now.</summary>
    public SiteRows Now
    {
        get
        {
            using var reading = _reading.EnterScope();
            var writes = workspace.Database.Writes;
            if (_rows is null)
                _rows = First();
            else if (writes != _writes)
                _rows = Next(_rows);
            _writes = writes;
            return _rows;
        }
    }

    /// <summary>Pictures by their ids, null for one that is no more.</summary>
    public ImmutableArray<Asset?> Pictures(ImmutableArray<string> ids)
    {
        if (ids.Any(id => !_pictures.ContainsKey(id)))
        {
            // Between reading one and keeping it nobody forgets it: it would be kept as it was before a change.
            using var reading = _reading.EnterScope();
            var unread = ids.Where(id => !_pictures.ContainsKey(id)).ToList();
            var found = workspace.Assets.FindMany(unread).ToDictionary(a => a.Id);
            foreach (var id in unread)
                _pictures.TryAdd(id, found.GetValueOrDefault(id));
        }
        return [.. ids.Select(id => _pictures.GetValueOrDefault(id))];
    }

    /// <summary>One picture, null where it is no more.</summary>
    public Asset? Picture(string id) => _pictures.TryGetValue(id, out var known) ? known : Pictures([id])[0];

    /// <summary>A draft as the planner reads it, its arrangements by their ids.</summary>
    public Document DocumentOf(PageRow page)
    {
        if (_documents.TryGetValue(page.Id, out var known) && known.Draft == page.Draft)
            return known.Document;
        var document = PlanningContext.DocumentIn(page.Draft);
        // One that stood earlier, or comes from elsewhere, is read for itself.
        if (_rows?.PageById.GetValueOrDefault(page.Id)?.Draft == page.Draft)
            _documents[page.Id] = (page.Draft, document);
        return document;
    }

    private SiteRows First()
    {
        // Before the rest: what is written while it is read is read again.
        var number = workspace.Touched.Last;
        var downloads = workspace.Downloads.All().ToImmutableArray();
        return SiteRows.Of(number, workspace.Pages.All(), workspace.Arrangements.All(), downloads);
    }

    private SiteRows Next(SiteRows rows)
    {
        var (number, things) = workspace.Touched.Since(rows.Number);
        if (things.Count == 0)
            return rows;
        var ids = things.ToLookup(t => t.Kind, t => t.Id);
        foreach (var id in ids[Touched.Picture])
            _pictures.TryRemove(id, out _);
        return rows.After(
            number,
            new(ids[Touched.Page].ToHashSet(), workspace.Pages.FindMany),
            ids.Contains(Touched.Arrangement) ? workspace.Arrangements.All() : null,
            ids.Contains(Touched.Download) ? workspace.Downloads.All() : null,
            ids.Contains(Touched.Picture)
        );
    }
}

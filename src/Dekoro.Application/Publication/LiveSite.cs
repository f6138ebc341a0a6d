using System.Globalization;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <summary>
/// The public site: lists of parts, named by their content, and one pointer that is swapped when all that a list names
/// is on the disk. A visitor never meets half of a site, and a process killed at any moment leaves the old one
/// standing. What was damaged since is mended from where the same lies elsewhere, or the last whole release is served.
/// </summary>
public sealed class LiveSite
{
    private const int ReleasesKept = 5,
        ReleasesKnown = 50;

    private readonly string _folder,
        _pointer;
    private readonly IFileLayer _layer;
    private readonly TimeProvider _clock;
    private readonly ILogger<LiveSite> _log;
    private readonly SiteStore _store;
    private readonly ReleaseShelf _shelf;

    /// <summary>What is served now, and after it what is from a time on.</summary>
    private volatile Served[] _line;

    private string _damage = "";

    /// <summary>Opens what was served last, or the last of it that is whole.</summary>
    public LiveSite(Workspace workspace, TimeProvider clock, ILogger<LiveSite> log)
    {
        (_clock, _layer, _log) = (clock, workspace.Layer, log);
        _folder = workspace.Folder("live");
        _store = new(_folder, workspace.Folder("renditions"), _layer);
        _shelf = new(_folder, _store, _layer);
        _pointer = Path.Combine(_folder, "current");
        _line = Opened(workspace.Releases.NewestFirst(ReleasesKnown));
    }

    /// <summary>Whether there is a public site.</summary>
    public bool IsThere => _line.Length > 0;

    /// <summary>What was found wrong and is to be published again; empty for nothing.</summary>
    public string Damage =>
        _damage.Length == 0 && _line.Any(s => s.Release is { IsValueCreated: true, Value.IsDamaged: true })
            ? "Files of the public site were damaged on the disk. What could be mended was; publish to make all of it "
                + "anew."
            : _damage;

    /// <summary>
    /// Names the release, for browsers that ask whether what they hold still stands: times of files cannot tell two
    /// releases of one second apart, nor an older one that is had back.
    /// </summary>
    public string Release => Now?.Name ?? "";

    /// <summary>
    /// Whether a release is what was served last, or what that has become by itself since: its day may have passed.
    /// </summary>
    public bool HasGoneLive(string release) => _line.Any(s => s.Name == release);

    /// <summary>
    /// The file at an address under the site; null where there is none. Only files of the release are ever looked up.
    /// </summary>
    public string? PathOf(string address) => Now?.PathOf(address, _store);

    /// <summary>The parts of what is served and of what is from a time on, but for damaged ones.</summary>
    internal KnownParts Known()
    {
        var known = KnownParts.None;
        foreach (var release in _line.Select(s => s.Release.Value))
            known.With(release.Parts).Without(release.DoubtedParts);
        return known;
    }

    /// <summary>Names of the files of pictures that visitors may be given.</summary>
    public IReadOnlyCollection<string> MediaNames =>
        [.. _line.SelectMany(s => s.Release.Value.Media.Keys).Select(a => Path.GetFileName(a)).Distinct()];

    /// <summary>How many files visitors may be given now.</summary>
    internal int CountNow => Now?.Release.Value.Count ?? 0;

    /// <summary>The parts of what is served first, and those of each later site.</summary>
    internal IReadOnlyList<LaterSite> Line =>
        [
            .. _line.Select(s => new LaterSite(s.From, [.. s.Release.Value.Parts.Values])
            {
                Damaged = [.. s.Release.Value.DoubtedParts.Select(p => p.Key)],
            }),
        ];

    /// <summary>Whether lists of parts were damaged, so that nobody knows any more what was in them.</summary>
    internal bool IsUnreadable => _line.Any(s => s.Folder is not null || s.Release.Value.Damaged.Length > 0);

    private Served? Now => _clock.GetUtcNow() is var now ? _line.LastOrDefault(s => s.From <= now) : null;

    private SiteRelease First => _line.FirstOrDefault()?.Release.Value ?? SiteRelease.Empty;

    /// <summary>Keeps the files of a part, to be named by a site that is written after.</summary>
    public KeptPart Keep(SitePart part)
    {
        foreach (var (address, file) in part.Files)
            _store.Keep(address, file);
        return new(part.Key, part.Fingerprint, part.IsAwaited, _store.Keep(PartText.Of(part)));
    }

    /// <summary>Writes a site whole and flushed, to be served by <see cref="Serve"/>.</summary>
    /// <param name="later">What takes its place by itself, each from its time on, in their order.</param>
    public WrittenSite Write(IReadOnlyCollection<KeptPart> parts, IReadOnlyList<LaterSite>? later = null) =>
        Write([new(DateTimeOffset.MinValue, parts), .. later ?? []]);

    /// <param name="sites">The first is served at once; damaged parts of them stay so.</param>
    internal WrittenSite Write(IReadOnlyList<LaterSite> sites)
    {
        var release = Written(sites[0], First);
        var then = sites.Skip(1).Select(l => (Written(l, release), l.From)).ToList();
        var site = new WrittenSite(release, _store.TakeWritten(), then);
        if (site.Written > 0 || !IsServed(site))
            _store.Flush();
        return site;
    }

    /// <summary>Whether visitors meet just this already, now and from each later time on.</summary>
    public bool IsServed(WrittenSite site) =>
        !First.IsDamaged
        && _damage.Length == 0
        && _line
            .Select(s => (s.Name, s.From))
            .SequenceEqual(
                site.Later.Select(l => (l.Release.Name, l.From)).Prepend((site.Release, DateTimeOffset.MinValue))
            );

    /// <summary>From here on visitors meet it.</summary>
    public void Serve(WrittenSite site)
    {
        Served[] line = [Of(site.Now, DateTimeOffset.MinValue), .. site.Later.Select(l => Of(l.Release, l.From))];
        var pointer = site
            .Later.Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.Release.Name} {l.From:O}"))
            .Prepend(site.Release);
        _layer.Replace(_pointer, Encoding.UTF8.GetBytes(string.Join('\n', pointer) + "\n"));
        (_line, _damage) = (line, "");
        try
        {
            foreach (var old in _shelf.Names.Except(line.Select(s => s.Name)).Skip(ReleasesKept - 1).ToList())
                _shelf.Remove(old);
            ClearEarlierKind();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            _log.LogWarning(e, "Older releases could not be cleared away; the next publishing tries again.");
        }

        static Served Of(SiteRelease release, DateTimeOffset from) => new(release.Name, from, new(release));
    }

    /// <summary>
    /// Looks at every file of what is served and is to be served: mends what can be, and remembers which parts have to
    /// be made anew.
    /// </summary>
    /// <param name="isThorough">To the last byte, instead of by length.</param>
    /// <returns>Addresses of files that could not be mended.</returns>
    public IReadOnlyList<string> Verify(bool isThorough)
    {
        var (looked, wrong, line) = (new Dictionary<string, bool>(StringComparer.Ordinal), new List<string>(), _line);
        foreach (var served in line.Where(s => s.Folder is null))
        {
            var damaged = new List<string>();
            foreach (var part in served.Release.Value.Parts.Values)
            {
                if (!looked.TryGetValue(part.Sha256, out var isWhole))
                    looked[part.Sha256] = isWhole = IsWhole(part);
                if (!isWhole)
                    damaged.Add(part.Key);
            }
            if (damaged.Count > 0)
                served.Release.Value.Doubt(damaged);
        }
        return wrong;

        bool IsWhole(KeptPart part)
        {
            if (_shelf.Find(part.Key, part.Sha256) is not { Files: var files })
                return false;
            var damaged = files
                .Where(f => _store.Find(f.Address, f.File) is null || isThorough && !_store.IsWhole(f.Address, f.File))
                .ToList();
            foreach (var (address, file) in damaged)
                _store.Drop(address, file);
            wrong.AddRange(damaged.Select(f => f.Address));
            return damaged.Count == 0;
        }
    }

    /// <summary>Takes away what no kept release names any more; asked for now and then.</summary>
    /// <param name="before">What was written later stays, to be gone back to.</param>
    public void Sweep(DateTime before) => _store.Sweep(_shelf.NamedBy(_shelf.Names), before);

    private SiteRelease Written(LaterSite site, SiteRelease known)
    {
        var list = SiteRelease.ListOf(site.Parts);
        var name = SiteRelease.NameOf(list);
        if (name == known.Name && !known.IsDamaged)
            return known;
        _shelf.Write(name, list);
        var written = _shelf.Read(name, list, known);
        written.Doubt(site.Damaged);
        return written;
    }

    /// <param name="recorded">Names of releases, newest first: what to serve where the pointer says nothing.</param>
    private Served[] Opened(IReadOnlyList<string> recorded)
    {
        var pointed = PointedAt();
        if (pointed.Length > 0)
            return pointed;
        // A list that neither a pointer nor a record speaks of was written and never served.
        var before = recorded
            .Concat(File.Exists(_pointer) ? _shelf.Names : [])
            .Select(name => Found(name, DateTimeOffset.MinValue, null))
            .OfType<Served>()
            .FirstOrDefault();
        if (before is null)
            return [];
        _damage =
            "The public site's pointer was damaged on the disk, and the last whole site is served. "
            + "Publish to be sure that it is the newest.";
        _log.LogWarning("{Damage}", _damage);
        return [before];
    }

    /// <summary>What the pointer names and is there, in its order; nothing where it is empty or torn.</summary>
    private Served[] PointedAt()
    {
        if (!File.Exists(_pointer))
            return [];
        var served = new List<Served>();
        foreach (var line in File.ReadAllLines(_pointer).Select(l => l.Trim().Split(' ')))
        {
            var isFirst = served.Count == 0;
            var from = DateTimeOffset.MinValue;
            var isRead =
                line[0].Length > 0
                && (
                    isFirst
                    || line.Length > 1 && DateTimeOffset.TryParse(line[1], CultureInfo.InvariantCulture, out from)
                );
            if (isRead && Found(line[0], from, served.LastOrDefault()) is { } one)
                served.Add(one);
            // The first names what is served at once: without it the others are no line.
            else if (isFirst)
                return [];
        }
        return [.. served];
    }

    /// <summary>A release whose list is whole; what it names is read when it is first asked for.</summary>
    private Served? Found(string name, DateTimeOffset from, Served? before)
    {
        if (_shelf.Find(name) is { } list)
            return new(
                name,
                from,
                new(
                    () => _shelf.Read(name, list, before?.Release.Value ?? SiteRelease.Empty),
                    // What failed once is tried again.
                    LazyThreadSafetyMode.PublicationOnly
                )
            );
        var folder = Path.Combine(_folder, StaticFolder.IsInside(name) ? name : "");
        return folder != Path.Combine(_folder, "") && File.Exists(Path.Combine(folder, "index.html"))
            ? new(name, from, new(() => SiteRelease.Empty), folder)
            : null;
    }

    /// <summary>Sites that an earlier version wrote into folders of their own.</summary>
    private void ClearEarlierKind()
    {
        foreach (var list in Directory.EnumerateFiles(_folder, "*.files"))
        {
            var folder = list[..^".files".Length];
            if (Directory.Exists(folder))
                Directory.Delete(folder, recursive: true);
            File.Delete(list);
        }
    }
}

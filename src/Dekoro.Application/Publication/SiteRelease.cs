using System.Collections.Immutable;
using System.Security.Cryptography;
using System.Text;

namespace Dekoro.Application.Publication;

/// <summary>
/// One state of the public site: a list of its parts, named by its content. What two releases share they share in
/// memory too, so that another release takes as much as is different in it.
/// </summary>
/// <param name="Files">What is no picture's file, by its address.</param>
/// <param name="Media">Files of pictures by their addresses, each with how many parts have it.</param>
/// <param name="Bytes">What all files weigh.</param>
internal sealed record SiteRelease(
    string Name,
    ImmutableDictionary<string, KeptPart> Parts,
    ImmutableDictionary<string, SiteFile> Files,
    ImmutableDictionary<string, (long Bytes, int Parts)> Media,
    long Bytes
)
{
    /// <summary>A site without anything.</summary>
    public static SiteRelease Empty { get; } =
        new(
            "",
            ImmutableDictionary.Create<string, KeptPart>(StringComparer.Ordinal),
            ImmutableDictionary.Create<string, SiteFile>(StringComparer.Ordinal),
            ImmutableDictionary.Create<string, (long, int)>(StringComparer.Ordinal),
            0
        );

    /// <summary>Parts that a list names and that could not be read.</summary>
    public ImmutableArray<string> Damaged { get; init; } = [];

    /// <summary>Parts that have to be made anew, although what is left of them is served.</summary>
    private ImmutableHashSet<string> _doubted = [];

    /// <summary>From now on some parts have to be made anew.</summary>
    public void Doubt(IEnumerable<string> keys) => _doubted = _doubted.Union(keys);

    /// <summary>They.</summary>
    public IEnumerable<KeptPart> DoubtedParts =>
        _doubted.Select(key => Parts.GetValueOrDefault(key)).OfType<KeptPart>();

    /// <summary>Whether anything has to be made anew.</summary>
    public bool IsDamaged => Damaged.Length > 0 || !_doubted.IsEmpty;

    /// <summary>How many files there are.</summary>
    public int Count => Files.Count + Media.Count;

    /// <summary>As it is written: a line for each part.</summary>
    public static byte[] ListOf(IEnumerable<KeptPart> parts) =>
        Encoding.UTF8.GetBytes(
            string.Concat(parts.OrderBy(p => p.Key, StringComparer.Ordinal).Select(p => $"{p.Sha256} {p.Key}\n"))
        );

    /// <summary>Its name from what is written of it.</summary>
    public static string NameOf(byte[] list) => Convert.ToHexStringLower(SHA256.HashData(list).AsSpan(0, 10));

    /// <summary>Each part's hash and key.</summary>
    public static IEnumerable<(string Sha256, string Key)> LinesOf(byte[] list) =>
        Encoding
            .UTF8.GetString(list)
            .Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(line => line.Split(' ', 2))
            .Where(fields => fields is [{ Length: 64 }, _])
            .Select(fields => (fields[0], fields[1]));

    /// <summary>The same with some parts out and others in.</summary>
    public SiteRelease With(string name, IEnumerable<ReadPart> gone, IEnumerable<ReadPart> come)
    {
        var change = new Change(this);
        foreach (var part in gone)
            change.Out(part);
        foreach (var part in come)
            change.In(part);
        return change.As(name);
    }

    private sealed class Change(SiteRelease from)
    {
        private readonly ImmutableDictionary<string, KeptPart>.Builder _parts = from.Parts.ToBuilder();
        private readonly ImmutableDictionary<string, SiteFile>.Builder _files = from.Files.ToBuilder();
        private readonly ImmutableDictionary<string, (long Bytes, int Parts)>.Builder _media = from.Media.ToBuilder();
        private long _bytes = from.Bytes;

        public void Out(ReadPart part)
        {
            _parts.Remove(part.Part.Key);
            foreach (var (address, file) in part.Files)
            {
                if (SiteStore.IsMedia(address) && _media.GetValueOrDefault(address) is { Parts: > 1 } use)
                    _media[address] = use with { Parts = use.Parts - 1 };
                else if (_media.Remove(address) || _files.Remove(address))
                    _bytes -= file.Bytes;
            }
        }

        public void In(ReadPart part)
        {
            _parts[part.Part.Key] = part.Part;
            foreach (var (address, file) in part.Files)
            {
                if (!SiteStore.IsMedia(address))
                {
                    _bytes += file.Bytes - (_files.GetValueOrDefault(address)?.Bytes ?? 0);
                    _files[address] = file;
                    continue;
                }
                var parts = _media.GetValueOrDefault(address).Parts;
                _media[address] = (file.Bytes, parts + 1);
                _bytes += parts == 0 ? file.Bytes : 0;
            }
        }

        public SiteRelease As(string name) =>
            new(name, _parts.ToImmutable(), _files.ToImmutable(), _media.ToImmutable(), _bytes);
    }
}

using System.Collections.Concurrent;
using System.Security.Cryptography;

namespace Dekoro.Application.Preview;

/// <summary>
/// The last looks that were given of each page, so that the next is told by what changed; forgotten when the program
/// ends.
/// </summary>
public sealed class PreviewDeltaCache
{
    /// <summary>For as many windows on one page; and pages.</summary>
    private const int MaxOfAPage = 6,
        MaxPages = 40;

    private readonly ConcurrentDictionary<string, GivenPreview[]> _byPage = new();

    /// <returns>Null where it is not known any more: then all is told.</returns>
    public GivenPreview? Find(string pageId, string? mark) =>
        mark is null ? null : _byPage.GetValueOrDefault(pageId)?.FirstOrDefault(l => l.Mark == mark);

    /// <param name="instead">The mark it follows; that look is not asked for again.</param>
    public string Add(
        string pageId,
        string? instead,
        IReadOnlyDictionary<string, string> blocks,
        IReadOnlyDictionary<string, string> figures
    )
    {
        var given = new GivenPreview(RandomNumberGenerator.GetHexString(12, lowercase: true), blocks, figures);
        _byPage.AddOrUpdate(pageId, [given], (_, all) =>
            [given, .. all.Where(l => l.Mark != instead).Take(MaxOfAPage - 1)]
        );
        if (_byPage.Count > MaxPages && _byPage.Keys.FirstOrDefault(id => id != pageId) is { } other)
            _byPage.TryRemove(other, out _);
        return given.Mark;
    }
}

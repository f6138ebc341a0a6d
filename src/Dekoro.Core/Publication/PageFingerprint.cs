using System.Security.Cryptography;
using System.Text;

namespace Dekoro.Core.Publication;

/// <summary>
/// All that the public form of a page depends on. Two pages of one fingerprint are the same, byte for byte; what a
/// fingerprint holds is the rule for what a change costs.
/// </summary>
/// <param name="Program">Names the program that plans and writes.</param>
/// <param name="Words">Title, address, summary, date and document, as they are kept.</param>
/// <param name="Sets">The arrangements on it or behind its banner, as they are on the day.</param>
/// <param name="Banner">At its top on the day; empty for none.</param>
/// <param name="Pictures">Of each on it its facts and what its files are made from.</param>
/// <param name="Ladders">Of each cut it shows the widths that serve all its places on the site.</param>
/// <param name="Links">Where each of its links leads.</param>
/// <param name="Style">Names the site's style.</param>
public sealed record PageFingerprint(
    string Program,
    string Words,
    IReadOnlyList<string> Sets,
    string Banner,
    IReadOnlyList<string> Pictures,
    IReadOnlyList<string> Ladders,
    IReadOnlyList<string> Links,
    string Style
)
{
    /// <summary>A name for all of it: SHA-256, FIPS 180-4, as 64 hexadecimal digits.</summary>
    public string Hash()
    {
        IEnumerable<string>[] parts =
        [
            [Program],
            [Words],
            Sets,
            [Banner],
            Pictures,
            Ladders,
            Links,
            [Style],
        ];
        return HashOf(parts.Select(HashOf));
    }

    /// <summary>
    /// Names some texts in their order: other texts, or the same divided otherwise, have another name.
    /// </summary>
    public static string HashOf(IEnumerable<string> texts)
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        foreach (var text in texts)
        {
            var bytes = Encoding.UTF8.GetBytes(text);
            hash.AppendData(BitConverter.GetBytes(bytes.Length));
            hash.AppendData(bytes);
        }
        return Convert.ToHexStringLower(hash.GetHashAndReset());
    }
}

using System.Security.Cryptography;

namespace Dekoro.Application.Publication;

/// <summary>One file of a site: its bytes, or where they lie on disk under a name that stands for them.</summary>
public sealed record SiteFile(string Sha256, long Bytes, byte[]? Content, string? Source)
{
    /// <summary>A file that is written from memory.</summary>
    public static SiteFile Of(byte[] content) =>
        new(Convert.ToHexStringLower(SHA256.HashData(content)), content.Length, content, null);

    /// <summary>A file that lies on the disk.</summary>
    public static SiteFile At(string path)
    {
        using var file = File.OpenRead(path);
        return new(Convert.ToHexStringLower(SHA256.HashData(file)), file.Length, null, path);
    }

    /// <summary>Whether the file at a path is this one, by its length or, thoroughly, by its content.</summary>
    public bool IsAt(string path, bool isThorough = true)
    {
        if (new FileInfo(path) is not { Exists: true } there || there.Length != Bytes)
            return false;
        if (!isThorough)
            return true;
        using var file = there.OpenRead();
        return Convert.ToHexStringLower(SHA256.HashData(file)) == Sha256;
    }
}

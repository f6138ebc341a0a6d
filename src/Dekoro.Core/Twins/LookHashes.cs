using System.Buffers.Binary;
using System.Collections.Immutable;

namespace Dekoro.Core.Twins;

/// <summary>
/// How a picture looks in short: as a whole, and without a little at its edges, so that a cut is found by what it left.
/// </summary>
/// <param name="Views">The whole first, then as <see cref="Kinds"/>; those that say too little are left out.</param>
public sealed record LookHashes(ImmutableArray<(int Kind, PerceptualHash Hash)> Views)
{
    private const double Little = 0.04,
        More = 0.08;

    private const int BytesEach = 1 + 3 * sizeof(ulong);

    /// <summary>Views by what is cut away of them; the first is the whole.</summary>
    public static ImmutableArray<View> Kinds { get; } =
    [
        View.Whole,
        .. new[] { Little, More }.SelectMany(by =>
            new[]
            {
                View.Without(by, 0, 0, 0),
                View.Without(0, by, 0, 0),
                View.Without(0, 0, by, 0),
                View.Without(0, 0, 0, by),
                View.Without(by / 2, by / 2, by / 2, by / 2),
            }
        ),
        View.Without(More, More, 0, 0),
        View.Without(0, More, More, 0),
        View.Without(0, 0, More, More),
        View.Without(More, 0, 0, More),
    ];

    /// <returns>Null for a picture that says too little to be told from others.</returns>
    public static LookHashes? Of(SmallCopy copy)
    {
        if (HashOf(copy, View.Whole) is null)
            return null;
        var views = Kinds.Select((view, kind) => (Kind: kind, Hash: HashOf(copy, view)));
        return new([.. views.Where(v => v.Hash is not null).Select(v => (v.Kind, v.Hash!.Value))]);
    }

    /// <summary>Of the whole picture.</summary>
    public PerceptualHash Whole => Views[0].Hash;

    /// <summary>Whether two may look the same: the whole of one as a view of the other.</summary>
    public bool IsNear(LookHashes other) =>
        Views.Any(v => v.Hash.IsNear(other.Whole)) || other.Views.Any(v => v.Hash.IsNear(Whole));

    private static PerceptualHash? HashOf(SmallCopy copy, View view) =>
        PerceptualHash.Of(
            copy.Light.Cells(view, PerceptualHash.GridWidth, PerceptualHash.GridHeight),
            copy.Light.Cells(view, PerceptualHash.SquareSide, PerceptualHash.SquareSide)
        );

    /// <summary>As it is kept: for each view its kind and three numbers, little-endian.</summary>
    public byte[] ToBytes()
    {
        var bytes = new byte[Views.Length * BytesEach];
        for (var i = 0; i < Views.Length; i++)
        {
            var at = bytes.AsSpan(i * BytesEach, BytesEach);
            var (kind, hash) = Views[i];
            at[0] = (byte)kind;
            BinaryPrimitives.WriteUInt64LittleEndian(at[1..], hash.Bits);
            BinaryPrimitives.WriteUInt64LittleEndian(at[9..], hash.MirroredBits);
            BinaryPrimitives.WriteUInt64LittleEndian(at[17..], hash.Waves);
        }
        return bytes;
    }

    /// <returns>Null where nothing was kept.</returns>
    public static LookHashes? Read(ReadOnlySpan<byte> bytes)
    {
        if (bytes.IsEmpty)
            return null;
        var views = ImmutableArray.CreateBuilder<(int, PerceptualHash)>(bytes.Length / BytesEach);
        for (; bytes.Length >= BytesEach; bytes = bytes[BytesEach..])
            views.Add(
                (
                    bytes[0],
                    new(
                        BinaryPrimitives.ReadUInt64LittleEndian(bytes[1..]),
                        BinaryPrimitives.ReadUInt64LittleEndian(bytes[9..]),
                        BinaryPrimitives.ReadUInt64LittleEndian(bytes[17..])
                    )
                )
            );
        return new(views.ToImmutable());
    }
}

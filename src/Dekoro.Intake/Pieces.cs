using Dekoro.Core.Choices;
using Dekoro.Core.Content;

namespace Dekoro.Intake;

/// <summary>Collects the words and pictures of a source in their order, as pieces of a page.</summary>
internal sealed class Pieces
{
    private const int MaxPictures = 500;

    private readonly List<Block> _blocks = [];
    private readonly List<FoundPicture> _pictures = [];
    private readonly List<LeftOut> _leftOut = [];
    private int _made,
        _keys;

    public string NewId() => $"n{++_made}";

    public void Add(Block block) => _blocks.Add(block);

    public void LeaveOut(string name, string sentence)
    {
        if (!_leftOut.Contains(new(name, sentence)))
            _leftOut.Add(new(name, sentence));
    }

    /// <summary>A picture, with its place at the end of what was collected so far.</summary>
    /// <param name="caption">Words the source puts beneath it; empty for none.</param>
    /// <param name="link">Where a press on it leads, as it is written in a document; null for nowhere.</param>
    public void Place(FoundPicture picture, string caption = "", string? link = null)
    {
        if (_pictures.Count >= MaxPictures)
        {
            LeaveOut(
                picture.FileName,
                $"Only the first {MaxPictures} pictures are taken at once: bring the others in by themselves."
            );
            return;
        }
        // One file that stands twice is one picture in two places.
        var same = _pictures.FirstOrDefault(p => p.Content == picture.Content);
        if (same is null)
            _pictures.Add(picture);
        _blocks.Add(
            new FigureBlock(
                NewId(),
                (same ?? picture).Key,
                new FigureSize.ByRole(SizeRole.Column),
                HorizontalAlign.Centre,
                false,
                CutChoice.AsIs,
                new(false, null),
                caption.Length == 0 ? new(CaptionSource.None) : new(CaptionSource.Own, caption)
            )
            {
                Link = link is null ? new(FigureLinkKind.None) : new(FigureLinkKind.Address, link),
            }
        );
    }

    public string NewKey() => $"p{++_keys}";

    public Proposal ToProposal(ProposalKind kind, string title, string from, DateTimeOffset? date) =>
        new(kind, title, from, date, new Document([.. _blocks]), [.. _pictures], [.. _leftOut]);
}

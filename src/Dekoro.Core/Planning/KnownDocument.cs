using Dekoro.Core.Arrangements;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;

namespace Dekoro.Core.Planning;

/// <summary>A document without the pictures that are not in the library.</summary>
internal static class KnownDocument
{
    /// <summary>Where another picture that was chosen for a class is gone, the usual one stands.</summary>
    public static Document Of(Document page, IReadOnlyDictionary<string, PictureFacts> pictures)
    {
        page = page.WithArrangements(set => set with { Items = [.. set.Items.Where(IsKnown).Select(Known)] });
        return page.Figures.Any(f => f.Assets.Skip(1).Any(IsGone))
            ? page.WithFigures(f =>
                f with
                {
                    Exceptions = f.Exceptions.Select(
                        (_, own) => own?.AssetId is { } id && IsGone(id) ? own with { AssetId = null } : own
                    ),
                }
            )
            : page;

        bool IsKnown(ArrangementItem item) => item.IsWordsAlone || !IsGone(item.AssetId);

        ArrangementItem Known(ArrangementItem item) =>
            item.StepAssetId is { } step && IsGone(step) ? item with { StepAssetId = null } : item;

        bool IsGone(string id) => !pictures.ContainsKey(id);
    }
}

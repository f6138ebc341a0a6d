using CsCheck;
using Dekoro.Core.Media;

namespace Dekoro.Core.Tests.Media;

public sealed class MergingTests
{
    private static readonly Gen<string> Word = Gen.OneOfConst("", "Kite", "IMG_2041", "At the pier, late");
    private static readonly Gen<PictureMetadata> AnyWords = Gen.Select(
            Word,
            Word,
            Word,
            Word,
            Gen.OneOfConst("", "kite, red", "Red; dune")
        )
        .Select(
            (title, alt, caption, credit, keywords) =>
                new PictureMetadata(title, alt, caption, Credit: credit, Keywords: keywords)
                {
                    Own = CustomFields.Of(
                        new Dictionary<string, string> { [caption == "" ? "Maker" : "Year"] = credit }
                    ),
                }
        );

    [Fact]
    public void Nothing_that_stays_had_is_lost_and_what_it_lacked_is_filled_up() =>
        Gen.Select(AnyWords, AnyWords)
            .Sample(
                (stays, goes) =>
                {
                    var one = Merging.Words(stays, goes);
                    Assert.Equal(stays.Alt.Length > 0 ? stays.Alt : goes.Alt, one.Alt);
                    Assert.Equal(stays.Caption.Length > 0 ? stays.Caption : goes.Caption, one.Caption);
                    // A title is replaced only where it said nothing and the other says something.
                    Assert.Equal(
                        FileNames.SaysNothing(stays.Title) && !FileNames.SaysNothing(goes.Title)
                            ? goes.Title
                            : stays.Title,
                        one.Title
                    );
                    foreach (var (name, text) in goes.Own.Concat(stays.Own))
                        Assert.Equal(stays.Own.GetValueOrDefault(name, text), one.Own[name]);
                    foreach (var keyword in stays.SplitKeywords().Concat(goes.SplitKeywords()))
                        Assert.Contains(keyword, one.SplitKeywords(), StringComparer.OrdinalIgnoreCase);
                }
            );

    [Fact]
    public void Merging_a_picture_with_itself_changes_nothing_but_the_marks_between_keywords() =>
        AnyWords.Sample(words =>
        {
            var once = Merging.Words(words, words);
            Assert.Equal(words with { Keywords = once.Keywords }, once);
            Assert.Equal(words.SplitKeywords(), once.SplitKeywords());
            Assert.Equal(once, Merging.Words(once, once));
        });

    [Fact]
    public void Keywords_are_told_apart_by_commas_and_semicolons() =>
        Assert.Equal(
            ["box kite", "1898", "Ana"],
            new PictureMetadata(Keywords: " box kite; 1898,, Ana ;").SplitKeywords()
        );
}

using Dekoro.Core.Publication;

namespace Dekoro.Core.Tests.Publication;

public sealed class PageFingerprintTests
{
    private static readonly PageFingerprint Page = new(
        "build",
        "words",
        ["kites", "lanterns"],
        "winter",
        ["door", "reel"],
        ["320 640", "480"],
        ["/visit"],
        "style"
    );

    [Fact]
    public void Whatever_a_page_depends_on_has_a_part_in_its_fingerprint()
    {
        PageFingerprint[] others =
        [
            Page with
            {
                Program = "other",
            },
            Page with
            {
                Words = "other",
            },
            Page with
            {
                Sets = ["kites"],
            },
            Page with
            {
                Banner = "",
            },
            Page with
            {
                Pictures = ["reel", "door"],
            },
            Page with
            {
                Ladders = ["320 640", "481"],
            },
            Page with
            {
                Links = ["/visit", "/"],
            },
            Page with
            {
                Style = "other",
            },
        ];
        Assert.Equal(others.Length + 1, others.Append(Page).Select(p => p.Hash()).Distinct().Count());
        Assert.Equal(Page.Hash(), (Page with { Sets = ["kites", "lanterns"] }).Hash());
    }

    [Fact]
    public void The_same_letters_divided_otherwise_are_another_fingerprint()
    {
        Assert.NotEqual(
            (Page with { Sets = ["ab", "c"], Pictures = [] }).Hash(),
            (Page with { Sets = ["a", "bc"], Pictures = [] }).Hash()
        );
        Assert.NotEqual(
            (Page with { Sets = ["a"], Pictures = [] }).Hash(),
            (Page with { Sets = [], Pictures = ["a"] }).Hash()
        );
    }
}

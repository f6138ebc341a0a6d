using System.Text;
using CsCheck;
using Dekoro.Core.Media;
using XmpCore;

namespace Dekoro.Intake.Tests;

public sealed class SidecarTests
{
    private static readonly Gen<string> Text = Gen.OneOf(
        Gen.OneOfConst(
            "",
            "Lantern night",
            "a < b & \"c\"",
            "قلعة على الرمل",
            "凧揚げ",
            "Zeile eins\nZeile zwei",
            "👩‍🚀 up"
        ),
        Gen.String[Gen.Char[' ', '\uD7FF'], 1, 60]
    );

    [Fact]
    public void What_is_written_is_read_again_in_any_script() =>
        Gen.Select(Text, Text, Text, Text, Text, Gen.OneOfConst("", "kite", "kite, red, 凧"))
            .Sample(
                (title, alt, caption, description, credit, keywords) =>
                {
                    // White space at the ends is no word's part, and XML has no way to write some controls.
                    string Kept(string text) =>
                        new string([
                            .. text.Where(c =>
                                c == '\n'
                                || !char.IsControl(c) && System.Xml.XmlConvert.IsXmlChar(c)
                                || char.IsSurrogate(c)
                            ),
                        ]).Trim();
                    var words = new PictureMetadata(
                        Kept(title),
                        Kept(alt),
                        Kept(caption),
                        Kept(description),
                        Kept(credit),
                        Keywords: keywords
                    );
                    Assert.Equal(words, Sidecar.Read(Sidecar.Write(words), new PictureMetadata()));
                },
                iter: 300
            );

    [Fact]
    public void The_words_stand_under_their_standard_names()
    {
        var found = XmpMetaFactory
            .ParseFromBuffer(
                Sidecar.Write(
                    new PictureMetadata("Box kite", "A red box kite", Rights: "Free to use", Keywords: "kite, box")
                )
            )
            .Properties.Where(p => p.Path is not null)
            .ToDictionary(p => p.Path!, p => p.Value);
        Assert.Equal("Box kite", found["dc:title[1]"]);
        Assert.Equal("A red box kite", found["Iptc4xmpCore:AltTextAccessibility[1]"]);
        Assert.Equal("Free to use", found["dc:rights[1]"]);
        Assert.Equal(("kite", "box"), (found["dc:subject[1]"], found["dc:subject[2]"]));
    }

    [Theory]
    [InlineData("<!DOCTYPE x [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;\">]><x>&b;</x>")]
    [InlineData("<x:xmpmeta xmlns:x='adobe:ns:meta/'><rdf:RDF")]
    public void A_sidecar_with_entities_or_cut_short_is_refused_in_words(string xml) =>
        Assert.Contains(
            "comes without them",
            Assert
                .Throws<UnreadableException>(() => Sidecar.Read(Encoding.UTF8.GetBytes(xml), new PictureMetadata()))
                .Message,
            StringComparison.Ordinal
        );

    [Fact]
    public void What_a_sidecar_does_not_say_stays_as_it_was() =>
        Assert.Equal(
            new PictureMetadata("New", Credit: "Ana", Folder: "Kites"),
            Sidecar.Read(
                Sidecar.Write(new PictureMetadata("New")),
                new PictureMetadata("Old", Credit: "Ana", Folder: "Kites")
            )
        );
}

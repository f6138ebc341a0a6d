using NetVips;

namespace Dekoro.Demo.Draw;

/// <summary>Frames, lights and grains a scene, and writes it in the format its name asks for.</summary>
internal static class Studio
{
    public static void Draw(Recipe recipe, string scenes, string files, int seed)
    {
        var path = Path.Combine(files, recipe.File);
        if (recipe.Scene.Length == 0)
        {
            File.WriteAllText(path, Drawings.Of(recipe.File));
            return;
        }
        var scene = Path.Combine(scenes, recipe.Scene + ".svg");
        if (recipe.Awkward == Awkward.Transparent)
        {
            CutOut(Framed(scene, recipe)).Pngsave(path, compression: 9);
            return;
        }
        var lit = Lit(Framed(scene, recipe), recipe.Light);
        if (recipe.Awkward == Awkward.Blurred)
            lit = lit.Gaussblur(recipe.Width / 130.0);
        var image = recipe.Grain > 0 ? Grained(lit, recipe.Grain, seed) : lit;
        Write(
            image.Cast(Enums.BandFormat.Uchar).Copy(interpretation: Enums.Interpretation.Srgb).CopyMemory(),
            recipe,
            path
        );
    }

    private static Image Framed(string scene, Recipe recipe)
    {
        var whole = Raster.Of(scene, (int)Math.Round(recipe.Width / recipe.Frame.W));
        var (w, h) = (recipe.Width, (int)Math.Round(whole.Height * recipe.Frame.H));
        var framed = whole.Crop(
            (int)Math.Min(whole.Width - w, recipe.Frame.X * whole.Width),
            (int)Math.Min(whole.Height - h, recipe.Frame.Y * whole.Height),
            w,
            h
        );
        return recipe.Mirror ? framed.FlipHor() : framed;
    }

    private static Image Lit(Image image, Light light)
    {
        var rgb = image.Copy(interpretation: Enums.Interpretation.Srgb).Cast(Enums.BandFormat.Float);
        var grey = rgb[0] * 0.2126 + rgb[1] * 0.7152 + rgb[2] * 0.0722;
        var coloured = rgb * light.Saturation + grey * (1 - light.Saturation);
        var graded = coloured * new[] { light.Red, light.Green, light.Blue };
        var curved = ((graded / 255.0).Math2Const(Enums.OperationMath2.Pow, [light.Gamma]) * 255.0);
        return Vignetted(curved * (1 - light.Haze) + 236.0 * light.Haze);
    }

    private static Image Vignetted(Image image)
    {
        var centred = Image.Xyz(image.Width, image.Height) - new[] { image.Width / 2.0, image.Height / 2.0 };
        var far =
            centred[0] * centred[0] / Math.Pow(image.Width / 2.0, 2)
            + centred[1] * centred[1] / Math.Pow(image.Height / 2.0, 2);
        return image * (1.0 - far * 0.06);
    }

    /// <summary>One grain for all channels, stronger in the middle tones, as film and sensors have it.</summary>
    private static Image Grained(Image image, double sigma, int seed)
    {
        var noise = Image.Gaussnoise(image.Width, image.Height, sigma: sigma, mean: 0, seed: seed).Gaussblur(0.6);
        return image + noise * 1.4;
    }

    /// <summary>The sky, being bluer than it is red, becomes see-through; the kite stays.</summary>
    private static Image CutOut(Image framed)
    {
        var rgb = framed.Copy(interpretation: Enums.Interpretation.Srgb);
        var mask = Image
            .SvgloadBuffer(
                System.Text.Encoding.UTF8.GetBytes(
                    string.Create(
                        System.Globalization.CultureInfo.InvariantCulture,
                        $"""
                        <svg xmlns="http://www.w3.org/2000/svg" width="{rgb.Width}" height="{rgb.Height}">
                        <rect width="100%" height="100%" fill="black"/>
                        <ellipse cx="{rgb.Width / 2.0}" cy="{rgb.Height / 2.0}" rx="{rgb.Width * 0.46}" ry="{rgb.Height
                            * 0.46}" fill="white"/></svg>
                        """
                    )
                )
            )[0]
            .Gaussblur(rgb.Width / 40.0);
        return rgb.Bandjoin(mask.Cast(Enums.BandFormat.Uchar)).CopyMemory();
    }

    private static void Write(Image image, Recipe recipe, string path)
    {
        var signed = image.Mutate(m =>
        {
            if (recipe.Credit is not null)
                m.Set(GValue.GStrType, "exif-ifd0-Artist", recipe.Credit);
            if (recipe.Title is not null)
                m.Set(GValue.GStrType, "exif-ifd0-ImageDescription", recipe.Title);
            if (recipe.Awkward == Awkward.Sideways)
                m.Set(GValue.GIntType, "orientation", 6);
            if (recipe.Awkward != Awkward.Located)
                return;
            m.Set(GValue.GStrType, "exif-ifd3-GPSLatitudeRef", "N");
            m.Set(GValue.GStrType, "exif-ifd3-GPSLatitude", "10/1 20/1 30/1");
            m.Set(GValue.GStrType, "exif-ifd3-GPSLongitudeRef", "W");
            m.Set(GValue.GStrType, "exif-ifd3-GPSLongitude", "140/1 5/1 0/1");
        });
        switch (Path.GetExtension(path))
        {
            case ".jpg" when recipe.Awkward == Awkward.Cmyk:
                signed.IccTransform("cmyk", inputProfile: "srgb").Jpegsave(path, q: recipe.Quality);
                break;
            case ".jpg":
                // A camera held sideways: the sensor's picture lies on its side, and EXIF says how to turn it.
                var stored = recipe.Awkward == Awkward.Sideways ? signed.Rot270() : signed;
                stored.Jpegsave(
                    path,
                    q: recipe.Quality,
                    optimizeCoding: true,
                    interlace: recipe.Awkward == Awkward.Progressive
                );
                break;
            case ".png":
                signed.Pngsave(path, compression: 9, palette: true, q: 90);
                break;
            case ".webp":
                signed.Webpsave(path, q: recipe.Quality);
                break;
            case ".avif":
                signed.Heifsave(path, q: 60, compression: Enums.ForeignHeifCompression.Av1, effort: 4);
                break;
            case ".tif":
                signed.Tiffsave(
                    path,
                    compression: Enums.ForeignTiffCompression.Deflate,
                    predictor: Enums.ForeignTiffPredictor.Horizontal
                );
                break;
            default:
                throw new ArgumentException($"No way to write {path}.", nameof(path));
        }
    }
}

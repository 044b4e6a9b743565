using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Android;

/// <summary>The icon of an app on the home screen: one a density for old devices, and the two layers that newer ones mask (Adaptive icons).</summary>
internal static class LauncherIcons
{
    /// <summary>Its name among the resources.</summary>
    public const string Name = "ic_launcher";

    /// <summary>The files of the icon.</summary>
    public static IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        foreach (var (density, scale) in AndroidPlatform.Densities.Where(d => d.Scale.Factor >= 1))
        {
            if (ask.Twin is { IsTinted: true })
            {
                // The system paints its alpha in a colour of the theme.
                yield return Sized.Square($"{AndroidPlatform.Resources}/mipmap-{density}/{Name}_monochrome.png", scale.Pixels(108), ask, share: 72 / 108.0);
                continue;
            }
            var form = AndroidPlatform.Qualifiers(ask.Twin);
            yield return Sized.Square($"{AndroidPlatform.Resources}/mipmap{form}-{density}/{Name}.png", scale.Pixels(48), ask, opaque: true);
            // 108 dp, of which a mask of the device keeps at least the middle 72.
            yield return Sized.Square($"{AndroidPlatform.Resources}/mipmap{form}-{density}/{Name}_foreground.png", scale.Pixels(108), ask, share: 72 / 108.0);
        }
    }

    /// <summary>The resources that join its layers and give the colour behind it.</summary>
    public static IEnumerable<SideFile> SideFiles(string platform, IReadOnlyList<PlannedFile> icons)
    {
        if (icons.Count == 0)
        {
            yield break;
        }
        var hasMonochrome = icons.Any(i => i.FileName.EndsWith("_monochrome.png", StringComparison.Ordinal));
        yield return new(platform, $"{AndroidPlatform.Resources}/mipmap-anydpi-v26/{Name}.xml", () => AdaptiveIcon(hasMonochrome));
        foreach (var form in icons.Select(i => i.Picture.MakingFor(platform)).Where(m => m.Twin is not { IsTinted: true }).DistinctBy(m => AndroidPlatform.Qualifiers(m.Twin)))
        {
            var ground = (form.Ground as Ground.Colour)?.Hex ?? "#ffffff";
            yield return new(platform, $"{AndroidPlatform.Resources}/values{AndroidPlatform.Qualifiers(form.Twin)}/{Name}_background.xml", () =>
                $"<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<resources>\n    <color name=\"{Name}_background\">{ground.ToUpperInvariant()}</color>\n</resources>\n");
        }
    }

    private static string AdaptiveIcon(bool hasMonochrome) => $"""
        <?xml version="1.0" encoding="utf-8"?>
        <adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
            <background android:drawable="@color/{Name}_background"/>
            <foreground android:drawable="@mipmap/{Name}_foreground"/>{(hasMonochrome ? $"\n    <monochrome android:drawable=\"@mipmap/{Name}_monochrome\"/>" : "")}
        </adaptive-icon>

        """.Replace("\r", "", StringComparison.Ordinal);
}

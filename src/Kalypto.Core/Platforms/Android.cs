using System.Collections.Frozen;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>
/// Android's drawable resources: vectors, six densities, selectors for the states of buttons, and launcher icons (App
/// resources overview; Support different pixel densities; Color state list and state list drawable; Adaptive icons).
/// </summary>
public sealed partial class Android : IPlatform
{
    private const string Resources = "android/res";
    private const string Launcher = "ic_launcher";

    private static readonly (string Density, Scale Scale)[] Densities =
        [("ldpi", new(0.75)), ("mdpi", new(1)), ("hdpi", new(1.5)), ("xhdpi", new(2)), ("xxhdpi", new(3)), ("xxxhdpi", new(4))];

    private static readonly (string Density, Scale Scale) Television = ("tvdpi", new(1.33));

    // In a selector the first item that fits is taken, so the one that fits always comes last.
    private static readonly (string State, string Attribute)[] Selectable =
    [
        ("disabled", "android:state_enabled=\"false\""), ("pressed", "android:state_pressed=\"true\""), ("selected", "android:state_selected=\"true\""),
        ("focused", "android:state_focused=\"true\""), ("hover", "android:state_hovered=\"true\""),
    ];

    // The Java Language Specification, 3.9, with the literals; a resource name becomes a field of the class R.
    private static readonly FrozenSet<string> Keywords = FrozenSet.Create(
        "abstract", "assert", "boolean", "break", "byte", "case", "catch", "char", "class", "const", "continue", "default",
        "do", "double", "else", "enum", "extends", "false", "final", "finally", "float", "for", "goto", "if", "implements",
        "import", "instanceof", "int", "interface", "long", "native", "new", "null", "package", "private", "protected",
        "public", "return", "short", "static", "strictfp", "super", "switch", "synchronized", "this", "throw", "throws",
        "transient", "true", "try", "void", "volatile", "while");

    /// <inheritdoc/>
    public string Id => "android";

    /// <inheritdoc/>
    public string Name => "Android";

    /// <inheritdoc/>
    public string Scales => "6 densities";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.WebP || format == Format.Gif || format == Format.Vector;

    /// <inheritdoc/>
    public string Join(IReadOnlyList<string> words) => NameWords.Join(words, "_", PlatformNames.Longest);

    /// <summary>The normal state says so, for the bare name is that of the selector over all states.</summary>
    public IReadOnlyList<string> WordsOf(Picture picture) => picture.State == "normal" ? [.. picture.WordsFor(Id).Where(w => w != "normal"), "normal"] : picture.WordsFor(Id);

    /// <inheritdoc/>
    public string? Refusal(string name) =>
        !ResourceName().IsMatch(name) ? $"“{name}” does not start with a letter"
        : Keywords.Contains(name) ? $"“{name}” is a word of the Java language"
        : FileSystems.Refusal(name);

    /// <inheritdoc/>
    public string Accepted(string name)
    {
        name = ResourceName().IsMatch(name) ? name : "n" + name;
        name = Keywords.Contains(name) ? name + "_picture" : name;
        return FileSystems.Accepted(name, "_");
    }

    /// <summary>Resources share one namespace over all folders.</summary>
    public string Place(Picture picture, string name) => picture.MakingFor(Id).Kind == Kinds.AppIcon ? $"{Resources}/mipmap/{Launcher}" : $"{Resources}/drawable/{name}";

    /// <summary>Resources share one namespace over all folders of a type, whatever stands behind their dash.</summary>
    public string Place(PlannedFile file) => file.Path.Split('/') is [.., var folder, var name] ? $"{Resources}/{folder.Split('-')[0]}/{Path.GetFileNameWithoutExtension(name)}" : file.Path;

    /// <summary>One resource name holds one picture, so of several formats the first that scales without loss is made.</summary>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            return LauncherIcons(ask);
        }
        var making = ask.Making;
        if (making.Makes(Format.Vector) && ask.Picture.NoVector is not null)
        {
            // What vectors cannot show ships in densities; the finding says why.
            making = making with { Formats = [.. making.Formats.Where(f => f.Format != Format.Vector), .. making.Formats.Any(f => f.Format != Format.Vector && Takes(f.Format)) ? [] : new[] { new FormatAsk(Format.Png) }] };
        }
        Format[] order = [Format.Vector, Format.WebP, Format.Png, Format.Png8, Format.Jpeg, Format.Gif];
        var format = order.FirstOrDefault(f => making.Makes(f));
        var scales = Densities.Concat(making.Scales.Contains(Television.Scale) ? [Television] : []).ToList();
        return Sized.Files(ask with { Making = making }, f => f == format, making.ScalesAmong(scales.Select(d => d.Scale)),
            (_, scale, ending) => $"{Resources}/drawable-{scales.First(d => d.Scale == scale).Density}/{ask.Name}{ending.Replace('-', '_')}",
            (_, size, ending) => $"{Resources}/drawable-nodpi/{ask.Name}_{size}{ending.Replace('-', '_')}",
            (_, ending) => $"{Resources}/drawable/{ask.Name}{ending}");
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        foreach (var set in pack.Files.Where(f => f.Picture.State is not null).GroupBy(f => (f.Picture.Ref.Design, Name: string.Join('_', f.Picture.Words.Where(w => States.Of(w) is null)))))
        {
            var byState = set.GroupBy(f => f.Picture.State!).ToDictionary(g => g.Key, g => this.NameOf(g.First().Picture));
            if (byState.Count > 1 && byState.TryGetValue("normal", out var normal))
            {
                yield return new(Id, $"{Resources}/drawable/{normal[..^"_normal".Length]}.xml", () => Selector(byState, normal));
            }
        }
        var icons = pack.Files.Where(f => f.Picture.MakingFor(Id).Kind == Kinds.AppIcon).ToList();
        if (icons.Count > 0)
        {
            var ground = (icons[0].Picture.MakingFor(Id).Ground as Ground.Colour)?.Hex ?? "#ffffff";
            yield return new(Id, $"{Resources}/mipmap-anydpi-v26/{Launcher}.xml", AdaptiveIcon);
            yield return new(Id, $"{Resources}/values/{Launcher}_background.xml", () =>
                $"<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<resources>\n    <color name=\"{Launcher}_background\">{ground.ToUpperInvariant()}</color>\n</resources>\n");
        }
        // Every resource by its own name: those of a width or height have one of their own.
        var named = pack.Files.Except(icons).Select(f => (f.Picture, Name: Path.GetFileNameWithoutExtension(f.FileName))).Distinct().Select(r => (r.Picture, r.Name, r.Name)).ToList();
        if (named.Count > 0)
        {
            yield return CodeNames.Kotlin(Id, "android/Pictures.kt", this, named);
        }
    }

    private static IEnumerable<FileAsk> LauncherIcons(PictureAsk ask)
    {
        foreach (var (density, scale) in Densities.Where(d => d.Scale.Factor >= 1))
        {
            yield return Sized.Square($"{Resources}/mipmap-{density}/{Launcher}.png", scale.Pixels(48), ask, opaque: true);
            // 108 dp, of which a mask of the device keeps at least the middle 72.
            yield return Sized.Square($"{Resources}/mipmap-{density}/{Launcher}_foreground.png", scale.Pixels(108), ask, share: 72 / 108.0);
        }
    }

    private static string AdaptiveIcon() => $"""
        <?xml version="1.0" encoding="utf-8"?>
        <adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
            <background android:drawable="@color/{Launcher}_background"/>
            <foreground android:drawable="@mipmap/{Launcher}_foreground"/>
        </adaptive-icon>

        """.Replace("\r", "", StringComparison.Ordinal);

    private static string Selector(Dictionary<string, string> byState, string normal)
    {
        var xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<selector xmlns:android=\"http://schemas.android.com/apk/res/android\">\n");
        foreach (var (state, attribute) in Selectable)
        {
            if (byState.TryGetValue(state, out var name))
            {
                xml.Append(CultureInfo.InvariantCulture, $"    <item android:drawable=\"@drawable/{name}\" {attribute}/>\n");
            }
        }
        return xml.Append(CultureInfo.InvariantCulture, $"    <item android:drawable=\"@drawable/{normal}\"/>\n</selector>\n").ToString();
    }

    [GeneratedRegex("^[a-z][a-z0-9_]*$")]
    private static partial Regex ResourceName();
}

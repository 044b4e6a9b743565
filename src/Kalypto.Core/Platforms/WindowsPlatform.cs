using System.Text.RegularExpressions;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Windows apps: <c>name.scale-200.png</c> in Assets, and the logos of the app (Tailor your resources for language, scale and other qualifiers).</summary>
public sealed partial class WindowsPlatform : IPlatform
{
    private static readonly Scale[] Own = [new(1), new(1.25), new(1.5), new(2), new(4)];

    // The logos that an app package names, in effective px (App icon construction). What is wide holds the icon in its middle.
    private static readonly (string Name, int Wide, int Tall, double Share)[] Logos =
    [
        ("Square44x44Logo", 44, 44, 1), ("Square71x71Logo", 71, 71, 1), ("Square150x150Logo", 150, 150, 1), ("Square310x310Logo", 310, 310, 1),
        ("Wide310x150Logo", 310, 150, 2 / 3.0), ("SplashScreen", 620, 300, 2 / 3.0), ("StoreLogo", 50, 50, 1),
    ];

    // In the task bar and lists, on a plate and without one (Construct your Windows app's icon).
    private static readonly int[] Targets = [16, 24, 32, 48, 256];

    /// <inheritdoc/>
    public string Id => "windows";

    /// <inheritdoc/>
    public string Name => "Windows";

    /// <inheritdoc/>
    public string Scales => "100–400 %";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.Gif || format == Format.Svg || format == Format.Ico;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => picture.MakingFor(Id) is var making && making.Kind == Kinds.AppIcon ? "windows/Assets/logos" + making.TwinMark()
        : $"windows/Assets/{making.FolderPrefix}{name}{making.TwinMark()}";

    // What the first part of a qualifier may be called.
    private static readonly string[] QualifierNames = ["altform", "config", "contrast", "devicefamily", "dxfeaturelevel", "homeregion", "lang", "language", "layoutdir", "scale", "targetsize", "theme"];

    /// <inheritdoc/>
    public bool NamesTwins => false;

    /// <summary>Folders are qualifiers too: what lies in one called <c>de</c> is for German alone (Tailor your resources for language, scale and other qualifiers).</summary>
    public string? FolderRefusal(string name) => LanguageTags.Are(name) ? $"Windows takes a folder called “{name}” for a language and shows what lies in it to nobody else"
        : name.IndexOf('-', StringComparison.Ordinal) is > 0 and var dash && QualifierNames.Contains(name[..dash], StringComparer.OrdinalIgnoreCase) ? $"Windows takes a folder called “{name}” for a qualifier" : null;

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            return ask.Twin is { IsDark: false } ? [] : ask.Twin is { IsDark: true } ? Targets.Select(side => Sized.Square($"windows/Assets/Square44x44Logo.targetsize-{side}_altform-unplated.png", side, ask))
                : [.. Logos.SelectMany(logo => Own.Select(scale => FileAsk.Inside($"windows/Assets/{logo.Name}.{Qualifier(scale)}.png", new(Format.Png), scale.Pixels(logo.Wide), scale.Pixels(logo.Tall), ask.Crop, logo.Share, (ask.Making.Ground as Ground.Colour)?.Hex))),
                    .. Targets.Select(side => Sized.Square($"windows/Assets/Square44x44Logo.targetsize-{side}.png", side, ask)),
                    // Unplated is what lies on the dark bar; a twin for dark grounds takes its place.
                    .. Targets.Select(side => Sized.Square($"windows/Assets/Square44x44Logo.targetsize-{side}_altform-lightunplated.png", side, ask)),
                    FileAsk.Square("windows/app.ico", new(Format.Ico), 256, ask.Crop)];
        }
        var form = Form(ask.Twin);
        var path = $"windows/Assets/{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, f => ask.Making.ScalesAmong(Own, f),
            (_, scale, ending) => Qualified(path, form.Length == 0 ? Qualifier(scale) : $"{form}_{Qualifier(scale)}", ending),
            (_, size, ending) => Qualified($"{path}-{size}", form, ending), (_, ending) => Qualified(path, form, ending));
    }

    /// <inheritdoc/>
    public IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code)
    {
        if (picture.MakingFor(Id).Kind == Kinds.AppIcon || picture.CropFor(Id) is not { } crop)
        {
            yield break;
        }
        var (best, alt) = (CodePicture.BestFirst(files)[0], picture.AltFor(Id));
        var name = alt.Length == 0 ? "" : $"\n    AutomationProperties.Name=\"{System.Security.SecurityElement.Escape(alt)}\"";
        yield return new("xaml", "XAML", $"<Image\n    Source=\"{Address(best, code)}\"\n    Width=\"{Numbers.Text(crop.Box.Width)}\" Height=\"{Numbers.Text(crop.Box.Height)}\"{name} />");
    }

    // WinUI and UWP ask for the bare name and get the file for the screen; WPF gets the very file that is named.
    private static string Address(PlannedFile file, CodeStyle code) => code.IsWpf ? "pack://application:,,,/" + file.Path["windows/".Length..] : "ms-appx:///" + Plain(file.Path["windows/".Length..]);

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        var code = pack.Book.Code;
        var named = pack.Files.Where(f => f.Picture.MakingFor(Id) is { Kind: not Kinds.AppIcon, Twin: null }).GroupBy(f => f.Picture).Select(CodePicture.BestFirst)
            .Select(files => new CodePicture(files[0].Picture, this.NameOf(files[0].Picture), Address(files[0], code), files)).ToList();
        if (named.Count > 0)
        {
            yield return CSharpNames.File("windows/" + code.ClassName + ".cs", this, code.ClassName, code.Namespace, named);
        }
    }

    private static string Qualifier(Scale scale) => $"scale-{Math.Round(scale.Factor * 100)}";

    /// <summary>The qualifiers of the form that a file is for (Tailor your resources for language, scale, high contrast, and other qualifiers).</summary>
    private static string Form(Twin? twin) => twin is null ? "" : string.Join('_', new[] { twin.Language is { } language ? $"lang-{language}" : null, twin.IsRightToLeft ? "layoutdir-RTL" : null, twin.IsDark ? "theme-dark" : null }.OfType<string>());

    private static string Qualified(string path, string qualifier, string ending) => qualifier.Length == 0 ? path + ending
        : ending.StartsWith('-') ? $"{path}{ending[..ending.IndexOf('.', StringComparison.Ordinal)]}.{qualifier}{ending[ending.IndexOf('.', StringComparison.Ordinal)..]}" : $"{path}.{qualifier}{ending}";

    // The app asks for the bare name and gets the file for its screen.
    private static string Plain(string path) => Qualifiers().Replace(path, "");

    [GeneratedRegex(@"\.[A-Za-z0-9_-]*(?:scale|lang|layoutdir|theme)-[A-Za-z0-9_-]*(?=\.\w+$)")]
    private static partial Regex Qualifiers();
}

using System.Text;
using System.Text.RegularExpressions;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Flutter: <c>assets/name.png</c> with <c>2.0x/</c> and <c>3.0x/</c> beside it, and the lines for pubspec.yaml (Adding assets and images).</summary>
public sealed partial class FlutterPlatform : IPlatform
{
    private static readonly Scale[] Usual = [new(1), new(2), new(3)];

    /// <inheritdoc/>
    public string Id => "flutter";

    /// <inheritdoc/>
    public string Name => "Flutter";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.WebP || format == Format.Gif || format == Format.Svg;

    /// <inheritdoc/>
    public string Separator => "_";

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => $"{FolderOf(picture.MakingFor(Id))}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        var folder = FolderOf(ask.Making);
        return Sized.Files(ask, Takes, f => ask.Making.ScalesOr(Usual, f),
            (_, scale, ending) => $"{folder}{(scale.Factor == 1 ? "" : $"{Factor(scale)}x/")}{ask.Name}{ending}",
            (_, size, ending) => $"{folder}{ask.Name}_{size}{ending}", (_, ending) => $"{folder}{ask.Name}{ending}");
    }

    /// <inheritdoc/>
    public IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code)
    {
        if (picture.CropFor(Id) is not { } crop)
        {
            yield break;
        }
        var (best, alt) = (CodePicture.BestFirst(files)[0], picture.AltFor(Id));
        static string Text(string text) => $"'{text.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("'", "\\'", StringComparison.Ordinal).Replace("$", "\\$", StringComparison.Ordinal)}'";
        var label = alt.Length == 0 ? "\n  excludeFromSemantics: true," : $"\n  semanticLabel: {Text(alt)},";
        // Flutter itself draws no SVG; the package of that name does.
        yield return new("flutter", "Flutter", best.Format == Format.Svg
            ? $"SvgPicture.asset(\n  {Text(Plain(best.Path))},\n  width: {Numbers.Text(crop.Box.Width)},\n  height: {Numbers.Text(crop.Box.Height)},{label.Replace("semanticLabel", "semanticsLabel", StringComparison.Ordinal)}\n)"
            : $"Image.asset(\n  {Text(Plain(best.Path))},\n  width: {Numbers.Text(crop.Box.Width)},\n  height: {Numbers.Text(crop.Box.Height)},{label}\n)");
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        if (pack.Files.IsEmpty)
        {
            yield break;
        }
        // The plain name stands for all its scales; a picture without 1x is named all the same.
        var assets = pack.Files.Select(f => Plain(f.Path)).Distinct().ToList();
        yield return new(Id, "flutter/pubspec-assets.yaml", () =>
        {
            var yaml = new StringBuilder("flutter:\n  assets:\n");
            foreach (var path in assets)
            {
                yaml.Append("    - ").Append(path).Append('\n');
            }
            return yaml.ToString();
        });
        yield return DartNames.File("flutter/lib/pictures.dart", this, pack.Book.Code.ClassName, pack.ByPicture.Select(p => CodePicture.BestFirst(p)).Select(files =>
            new CodePicture(files[0].Picture, this.NameOf(files[0].Picture), Plain(files[0].Path), files)));
    }

    private static string Plain(string path) => ScaleFolder().Replace(path["flutter/".Length..], "");

    private static string FolderOf(Making making) => $"flutter/assets/{making.FolderPrefix}";

    private static string Factor(Scale scale) => scale.Factor.ToString("0.0##", System.Globalization.CultureInfo.InvariantCulture);

    [GeneratedRegex(@"\d+\.\d+x/(?=[^/]+$)")]
    private static partial Regex ScaleFolder();
}

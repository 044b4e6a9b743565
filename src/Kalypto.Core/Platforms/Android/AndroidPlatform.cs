using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Android;

/// <summary>
/// Android's drawable resources: vectors, six densities, selectors for the states of buttons, and launcher icons (App
/// resources overview; Support different pixel densities; Color state list and state list drawable; Adaptive icons).
/// </summary>
public sealed class AndroidPlatform : IPlatform
{
    internal const string Resources = "android/res";

    internal static readonly (string Density, Scale Scale)[] Densities =
        [("ldpi", new(0.75)), ("mdpi", new(1)), ("hdpi", new(1.5)), ("xhdpi", new(2)), ("xxhdpi", new(3)), ("xxxhdpi", new(4))];

    private static readonly (string Density, Scale Scale) Television = ("tvdpi", new(1.33));

    /// <inheritdoc/>
    public string Id => "android";

    /// <inheritdoc/>
    public string Name => "Android";

    /// <inheritdoc/>
    public string Scales => "6 densities";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.WebP || format == Format.Gif || format == Format.Vector;

    /// <inheritdoc/>
    public string Separator => "_";

    /// <inheritdoc/>
    public bool NamesTwins => false;

    /// <summary>The normal state says so, for the bare name is that of the selector over all states.</summary>
    public IReadOnlyList<string> WordsOf(Picture picture) => picture.State == "normal" ? [.. picture.WordsFor(Id).Where(w => w != "normal"), "normal"] : picture.WordsFor(Id);

    /// <inheritdoc/>
    public string? Refusal(string name) => ResourceNames.Refusal(name) ?? FileSystems.Refusal(name);

    /// <inheritdoc/>
    public string Accepted(string name) => FileSystems.Accepted(ResourceNames.Accepted(name), Separator);

    /// <summary>Resources share one namespace over all folders.</summary>
    public string Place(Picture picture, string name) => picture.MakingFor(Id).Kind == Kinds.AppIcon ? $"{Resources}/mipmap/{LauncherIcons.Name}{picture.MakingFor(Id).TwinMark()}" : $"{Resources}/drawable/{name}{picture.MakingFor(Id).TwinMark()}";

    /// <summary>Resources share one namespace over all folders of a type, whatever stands behind their dash.</summary>
    public string Place(PlannedFile file) => file.Path.Split('/') is [.., var folder, var name] ? $"{Resources}/{folder.Split('-')[0]}/{NameOfResource(name)}{file.Picture.MakingFor(Id).TwinMark()}" : file.Path;

    /// <summary>One resource name holds one picture, so of several formats the first that scales without loss is made.</summary>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            return LauncherIcons.FilesOf(ask);
        }
        var making = ask.Making;
        if (making.Makes(Format.Vector) && ask.Picture.NoVector is not null)
        {
            // What vectors cannot show ships in densities; the finding says why.
            making = making with { Formats = [.. making.Formats.Where(f => f.Format != Format.Vector), .. making.Formats.Any(f => f.Format != Format.Vector && Takes(f.Format)) ? [] : new[] { new FormatAsk(Format.Png) }] };
        }
        if (making.Stretch is { } stretch)
        {
            return Stretching(ask, stretch);
        }
        var form = Qualifiers(making.Twin);
        Format[] order = [Format.Vector, Format.WebP, Format.Png, Format.Png8, Format.Jpeg, Format.Gif];
        var format = order.FirstOrDefault(f => making.Makes(f));
        var scales = Densities.Concat(making.Scales.Contains(Television.Scale) ? [Television] : []).ToList();
        return Sized.Files(ask with { Making = making }, f => f == format, asked => making.ScalesAmong(scales.Select(d => d.Scale), asked),
            (_, scale, ending) => $"{Resources}/drawable{form}-{scales.First(d => d.Scale == scale).Density}/{ask.Name}{ending.Replace('-', '_')}",
            (_, size, ending) => $"{Resources}/drawable{form}-nodpi/{ask.Name}_{size}{ending.Replace('-', '_')}",
            (_, ending) => $"{Resources}/drawable{form}/{ask.Name}{ending}");
    }

    // Pixels with lines around them, in every density.
    private static IEnumerable<FileAsk> Stretching(PictureAsk ask, Stretch stretch)
    {
        var plain = ask.Making with { Formats = [new(Format.Png)], Wide = [], Tall = [] };
        foreach (var (density, scale) in Densities.Where(d => plain.ScalesAmong(Densities.Select(d => d.Scale)).Contains(d.Scale)))
        {
            var file = FileAsk.At($"{Resources}/drawable{Qualifiers(plain.Twin)}-{density}/{ask.Name}.9.png", plain.Formats[0], scale, ask.Crop);
            yield return file with { Patch = PatchOf(file, stretch, ask.Picture.Label) };
        }
    }

    private static NinePatch PatchOf(FileAsk file, Stretch stretch, Box? label)
    {
        int Pixels(double points, int most) => Math.Clamp((int)Math.Round(points * file.Scale.Factor), 0, (most - 1) / 2);
        var (wide, tall, crop) = (file.Width, file.Height, file.Source);
        NinePatch.Sides? kept = stretch.Edges is [var left, var top, var right, var bottom] ? new(Pixels(left, wide), Pixels(top, tall), Pixels(right, wide), Pixels(bottom, tall)) : null;
        // Another label is longer, so as much room as there is at the nearer side is left at both.
        return new(kept, label is not { } box ? null : (Pixels(Math.Min(box.X - crop.X, crop.Right - box.Right), wide), Pixels(Math.Min(box.Y - crop.Y, crop.Bottom - box.Bottom), tall)) is var (across, down)
            ? new NinePatch.Sides(across, down, across, down) : null);
    }

    /// <summary>The qualifiers of the form that a resource is for, in the order that Android asks for (App resources overview, table 2).</summary>
    internal static string Qualifiers(Twin? twin) => twin is null ? ""
        : (twin.Language is { } language ? "-" + language.Replace("-", "-r", StringComparison.Ordinal) : "") + (twin.IsRightToLeft ? "-ldrtl" : "") + (twin.IsDark ? "-night" : "");

    private static string NameOfResource(string fileName) => fileName[..fileName.IndexOf('.', StringComparison.Ordinal)];

    /// <inheritdoc/>
    public IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code)
    {
        var alt = picture.AltFor(Id);
        // The bare name of a button is that of the selector over its states.
        var name = NameOfResource(files[0].FileName) is var own && picture.State == "normal" && own.EndsWith("_normal", StringComparison.Ordinal) ? own[..^"_normal".Length] : own;
        var type = picture.MakingFor(Id).Kind == Kinds.AppIcon ? "mipmap" : "drawable";
        yield return new("compose", "Compose", $"Image(\n    painter = painterResource(R.{type}.{(type == "mipmap" ? LauncherIcons.Name : own)}),\n    contentDescription = {(alt.Length == 0 ? "null" : Identifiers.Quoted(alt).Replace("$", "\\$", StringComparison.Ordinal))},\n)");
        yield return new("android", "Android XML",
            $"<ImageView\n    android:layout_width=\"wrap_content\"\n    android:layout_height=\"wrap_content\"\n    android:src=\"@{type}/{(type == "mipmap" ? LauncherIcons.Name : name)}\"\n    android:contentDescription=\"{(alt.Length == 0 ? "@null" : System.Security.SecurityElement.Escape(alt))}\" />");
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        foreach (var set in pack.Files.Where(f => f.Picture.State is not null).GroupBy(f => (f.Picture.Ref.Design, Name: string.Join('_', f.Picture.Words.Where(w => States.Of(w) is null)))))
        {
            var byState = set.GroupBy(f => f.Picture.State!).ToDictionary(g => g.Key, g => this.NameOf(g.First().Picture));
            if (byState.Count > 1 && byState.TryGetValue("normal", out var normal))
            {
                yield return new(Id, $"{Resources}/drawable/{normal[..^"_normal".Length]}.xml", () => Selector.Write(byState, normal));
            }
        }
        var icons = pack.Files.Where(f => f.Picture.MakingFor(Id).Kind == Kinds.AppIcon).ToList();
        foreach (var file in LauncherIcons.SideFiles(Id, icons))
        {
            yield return file;
        }
        // Every resource by its own name: those of a width or height have one of their own.
        var named = pack.Files.Except(icons).GroupBy(f => NameOfResource(f.FileName))
            .Select(r => CodePicture.BestFirst(r.OrderBy(f => f.Picture.MakingFor(Id).Twin is not null)) is var files ? new CodePicture(files[0].Picture, r.Key, r.Key, files) : null!).ToList();
        if (named.Count > 0)
        {
            yield return KotlinNames.File($"android/{pack.Book.Code.ClassName}.kt", this, pack.Book.Code.ClassName, pack.Book.Code.KotlinPackage, named);
        }
    }
}

using Kalypto.Core.Formats;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Windows apps: <c>name.scale-200.png</c> in Assets, and the logos of the app (Tailor your resources for language, scale and other qualifiers).</summary>
public sealed class WindowsPlatform : IPlatform
{
    private static readonly Scale[] Own = [new(1), new(1.25), new(1.5), new(2), new(4)];
    private static readonly (string Name, int Points)[] Logos = [("Square44x44Logo", 44), ("Square150x150Logo", 150), ("StoreLogo", 50)];

    /// <inheritdoc/>
    public string Id => "windows";

    /// <inheritdoc/>
    public string Name => "Windows";

    /// <inheritdoc/>
    public string Scales => "100–400 %";

    /// <inheritdoc/>
    public bool Takes(Format format) => format == Format.Png || format == Format.Png8 || format == Format.Jpeg || format == Format.Gif || format == Format.Svg || format == Format.Ico;

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => picture.MakingFor(Id) is var making && making.Kind == Kinds.AppIcon ? "windows/Assets/logos"
        : $"windows/Assets/{making.FolderPrefix}{name}";

    /// <inheritdoc/>
    public IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        if (ask.Making.Kind == Kinds.AppIcon)
        {
            return Logos.SelectMany(logo => Own.Select(scale => Sized.Square($"windows/Assets/{logo.Name}.{Qualifier(scale)}.png", scale.Pixels(logo.Points), ask)))
                .Append(FileAsk.Square("windows/app.ico", new(Format.Ico), 48, ask.Crop));
        }
        var path = $"windows/Assets/{ask.Folder}{ask.Name}";
        return Sized.Files(ask, Takes, ask.Making.ScalesAmong(Own),
            (_, scale, ending) => Qualified(path, Qualifier(scale), ending), (_, size, ending) => $"{path}-{size}{ending}", (_, ending) => path + ending);
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(PlatformPack pack)
    {
        var named = pack.Files.Where(f => f.Picture.MakingFor(Id).Kind != Kinds.AppIcon).GroupBy(f => f.Picture)
            .Select(g => (g.Key, this.NameOf(g.Key), "ms-appx:///" + Plain(g.First().Path["windows/".Length..]))).ToList();
        if (named.Count > 0)
        {
            yield return CodeNames.CSharp(Id, "windows/Pictures.cs", this, named);
        }
    }

    private static string Qualifier(Scale scale) => $"scale-{Math.Round(scale.Factor * 100)}";

    private static string Qualified(string path, string qualifier, string ending) =>
        ending.StartsWith('-') ? $"{path}{ending[..ending.IndexOf('.', StringComparison.Ordinal)]}.{qualifier}{ending[ending.IndexOf('.', StringComparison.Ordinal)..]}" : $"{path}.{qualifier}{ending}";

    // The app asks for the bare name and gets the file for its screen.
    private static string Plain(string path) => System.Text.RegularExpressions.Regex.Replace(path, @"\.scale-\d+(?=\.\w+$)", "");
}

using Kalypto.Core.Formats;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Web;

/// <summary>What the lines for the web say of a file.</summary>
internal static class WebFiles
{
    /// <summary>The formats of pictures, smallest first: a browser takes the first that it knows.</summary>
    public static readonly Format[] BestFirst = [Format.Svg, Format.Avif, Format.WebP, Format.Jpeg, Format.Png, Format.Png8, Format.Gif];

    /// <summary>The file that every browser shows, one with links only where nothing else is made: a drawing of shapes, else the format known longest, at its smallest scale.</summary>
    public static PlannedFile Fallback(IEnumerable<PlannedFile> files) => files
        .OrderBy(f => !f.BrowsersShow ? 99 : f.Format == Format.Svg ? -1 : f.Format == Format.Png ? 0 : f.Format == Format.Png8 ? 1 : f.Format == Format.Jpeg ? 2 : f.Format == Format.Gif ? 3 : 4 + Array.IndexOf(BestFirst, f.Format))
        .ThenBy(f => f.Scale.Factor == 1 ? 0 : f.Scale.Factor).First();

    /// <summary>True for a file of a scale, false for one of a width or height of its own.</summary>
    public static bool IsScale(PlannedFile file) => file.Picture.MakingFor("web") is { Wide.IsEmpty: true, Tall.IsEmpty: true };

    /// <summary>Its path from the folder of the web.</summary>
    public static string Relative(PlannedFile file) => file.Path["web/".Length..];

    /// <summary>The name of its class in CSS and of its symbol in the sprite.</summary>
    public static string ClassOf(PlannedFile file)
    {
        var name = Path.GetFileNameWithoutExtension(file.FileName);
        var folder = file.Picture.MakingFor("web").Folder;
        name = name.Contains('@', StringComparison.Ordinal) ? name[..name.IndexOf('@', StringComparison.Ordinal)] : name;
        name = string.Join('-', folder.Append(name));
        return char.IsAsciiDigit(name[0]) ? "n" + name : name;
    }
}

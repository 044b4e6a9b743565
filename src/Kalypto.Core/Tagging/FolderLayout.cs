namespace Kalypto.Core.Tagging;

/// <summary>How plain folders are laid out: one folder a scale, a format, or neither.</summary>
/// <param name="ByScale">True for a folder a scale, such as <c>2x/</c>; else the scale stands behind the name.</param>
/// <param name="ByFormat">True for a folder a format, such as <c>webp/</c>.</param>
/// <param name="ScaleSuffix">What stands behind the name when scales have no folder; <c>{}</c> for the scale.</param>
public sealed record FolderLayout(bool ByScale, bool ByFormat, string ScaleSuffix)
{
    /// <summary>Everything in one folder, <c>name@2x.png</c>.</summary>
    public static FolderLayout Usual { get; } = new(false, false, "@{}");

    /// <summary>True when a suffix can stand in a file name and tells scales apart.</summary>
    public static bool IsSuffix(string text) =>
        text.Length is >= 2 and <= 16 && text.Contains("{}", StringComparison.Ordinal) && text.Replace("{}", "", StringComparison.Ordinal).All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_' or '@' or '.');
}

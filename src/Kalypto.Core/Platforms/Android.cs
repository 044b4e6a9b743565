using System.Collections.Frozen;
using System.Text.RegularExpressions;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Android's drawable resources in six densities (App resources overview; Support different pixel densities).</summary>
public sealed partial class Android : IPlatform
{
    private static readonly (string Density, Scale Scale)[] Densities =
        [("ldpi", new(0.75)), ("mdpi", new(1)), ("hdpi", new(1.5)), ("xhdpi", new(2)), ("xxhdpi", new(3)), ("xxxhdpi", new(4))];

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
    public string Join(IReadOnlyList<string> words) => NameWords.Join(words, "_", PlatformNames.Longest);

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
    public string Place(Picture picture, string name) => $"android/res/drawable/{name}";

    /// <inheritdoc/>
    public IEnumerable<(string Path, Scale Scale)> FilesOf(Picture picture, string name)
    {
        var scales = picture.ScalesAmong(Densities.Select(d => d.Scale));
        return Densities.Where(d => scales.Contains(d.Scale)).Select(d => ($"android/res/drawable-{d.Density}/{name}.png", d.Scale));
    }

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(IReadOnlyList<PlannedFile> files) => [];

    [GeneratedRegex("^[a-z][a-z0-9_]*$")]
    private static partial Regex ResourceName();
}

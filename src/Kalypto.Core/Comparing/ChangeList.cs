using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Comparing;

/// <summary>Writes what is different between two deliveries: <c>changes.json</c> (schema in docs/changes.schema.json) and <c>CHANGES.md</c>.</summary>
/// <param name="Project">The name of the project.</param>
/// <param name="From">The number of the earlier delivery; 0 for nothing before.</param>
/// <param name="To">The number of the later one.</param>
/// <param name="Line">What the later one is for.</param>
/// <param name="Changes">What is different.</param>
public sealed record ChangeList(string Project, int From, int To, string Line, DeliveryChanges Changes)
{
    /// <summary>How layers are drawn otherwise, by the owner in the identity of their files; what is missing is drawn as before, or not known.</summary>
    public IReadOnlyDictionary<string, Redrawing> Redrawn { get; init; } = new Dictionary<string, Redrawing>();

    private static readonly JsonWriterOptions Indented = new() { Indented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private static readonly string[] Shown = [".svg", ".png", ".webp", ".avif", ".jpg", ".gif"];

    private static readonly (string Title, Func<FileChange, bool> Is)[] Parts =
    [
        ("New", c => c.IsNew), ("Changed", c => c.IsChanged), ("Renamed", c => !c.IsChanged && c.IsRenamed), ("Moved to another folder", c => !c.IsChanged && !c.IsRenamed && c.IsMoved), ("Gone", c => c.IsGone),
    ];

    /// <summary>As JSON. Equal changes give equal bytes.</summary>
    public byte[] Json()
    {
        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream, Indented))
        {
            json.WriteStartObject();
            json.WriteNumber("version", 1);
            json.WriteString("project", Project);
            json.WriteNumber("from", From);
            json.WriteNumber("to", To);
            json.WriteString("for", Line);
            json.WriteNumber("same", Changes.Files.Count(f => f.IsSame));
            json.WriteStartArray("files");
            foreach (var change in Changes.Different)
            {
                Write(json, change);
            }
            json.WriteEndArray();
            json.WriteEndObject();
        }
        stream.WriteByte((byte)'\n');
        return stream.ToArray();
    }

    /// <summary>In words, as Markdown.</summary>
    public string Markdown()
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"# {Project}, delivery {To}\n\n");
        text.Append(Line.Length > 0 ? $"{Line}\n\n" : "");
        text.Append(CultureInfo.InvariantCulture, $"{(From > 0 ? $"Against delivery {From}" : "The first delivery")}: {Changes.Different.Count()} files differ, {Changes.Files.Count(f => f.IsSame)} are the same.\n");
        foreach (var (title, isPart) in Parts)
        {
            var part = Changes.Different.Where(isPart).ToList();
            if (part.Count > 0)
            {
                text.Append(CultureInfo.InvariantCulture, $"\n## {title} ({part.Count})\n\n");
                // What goes with the pictures comes behind them.
                foreach (var layer in part.GroupBy(c => (c.File.Layer, c.File.Screen, Owner: FileIdentity.OwnerOf(c.File.Identity))).OrderBy(g => g.Key.Layer.Length == 0))
                {
                    var indent = layer.Key.Layer.Length > 0 ? "  " : "";
                    if (layer.Key.Layer.Length > 0)
                    {
                        var picture = PictureOf(layer);
                        text.Append(CultureInfo.InvariantCulture, $"- {picture}**{Escape(layer.Key.Layer)}**{(layer.Key.Screen.Length > 0 ? $" on {Escape(layer.Key.Screen)}" : "")}{WhatOf(layer)}\n");
                    }
                    foreach (var change in layer)
                    {
                        text.Append(CultureInfo.InvariantCulture, $"{indent}- `{change.File.Path}`{Detail(change)}\n");
                    }
                }
            }
        }
        return text.ToString();
    }

    // Where this is read as a page, the picture is shown beside its name: the lightest that a browser shows.
    private static string PictureOf(IEnumerable<FileChange> files) =>
        files.Where(f => f.New is { Width: > 0 } && Shown.Any(e => f.New.Path.EndsWith(e, StringComparison.Ordinal))).MinBy(f => f.New!.Bytes)?.New is { } file
            ? $"<img src=\"{string.Join('/', file.Path.Split('/').Select(Uri.EscapeDataString))}\" height=\"24\" alt=\"\"> " : "";

    private string WhatOf(IEnumerable<FileChange> files) => files.FirstOrDefault(f => f.IsChanged) is not { } change ? ""
        : WordOf(change) is { } word ? $": {word}" : Sizes(change) is not null ? ": another size" : "";

    private string? WordOf(FileChange change) => Redrawn.GetValueOrDefault(FileIdentity.OwnerOf(change.File.Identity)) switch
    {
        Redrawing.Paints => "other colours",
        Redrawing.Form => "another shape",
        Redrawing.Size => "another size",
        Redrawing.Words => "other words",
        Redrawing.Picture => "another photo",
        Redrawing.Inside => "something in it",
        _ => null,
    };

    private static string? Sizes(FileChange change) => change is { Old: { Width: > 0 } old, New: { Width: > 0 } now } && (old.Width, old.Height) != (now.Width, now.Height)
        ? FormattableString.Invariant($"{old.Width}×{old.Height} px to {now.Width}×{now.Height} px") : null;

    // Names are words and no marks, and stay on their line.
    private static string Escape(string text) => string.Concat(text.ReplaceLineEndings(" ").Select(c => "\\`*_{}[]<>#|!~&".Contains(c, StringComparison.Ordinal) ? $"\\{c}" : $"{c}"));

    private static string Detail(FileChange change)
    {
        var parts = new List<string>();
        if (change.Old is { } old && change.New is { } now)
        {
            if (old.Path != now.Path)
            {
                parts.Add($"was `{old.Path}`");
            }
            if (change.IsChanged)
            {
                parts.Add($"{Weight.Text(old.Bytes)} to {Weight.Text(now.Bytes)}");
                parts.AddRange(Sizes(change) is { } sizes ? [sizes] : []);
            }
        }
        return parts.Count > 0 ? $" ({string.Join(", ", parts)})" : "";
    }

    private void Write(Utf8JsonWriter json, FileChange change)
    {
        json.WriteStartObject();
        json.WriteStartArray("what");
        foreach (var (what, isSo) in new[] { ("new", change.IsNew), ("gone", change.IsGone), ("changed", change.IsChanged), ("renamed", change.IsRenamed), ("moved", change.IsMoved) })
        {
            if (isSo)
            {
                json.WriteStringValue(what);
            }
        }
        json.WriteEndArray();
        json.WriteString("identity", change.File.Identity);
        json.WriteString("platform", change.File.Platform);
        if (change.File.Layer.Length > 0)
        {
            json.WriteString("layer", change.File.Layer);
            json.WriteString("screen", change.File.Screen);
        }
        if (change.IsChanged && Redrawn.GetValueOrDefault(FileIdentity.OwnerOf(change.File.Identity)) is var redrawn and not Redrawing.None)
        {
            json.WriteString("redrawn", JsonNamingPolicy.CamelCase.ConvertName($"{redrawn}"));
        }
        Write(json, "before", change.Old);
        Write(json, "now", change.New);
        json.WriteEndObject();
    }

    private static void Write(Utf8JsonWriter json, string name, DeliveredFile? file)
    {
        if (file is null)
        {
            return;
        }
        json.WriteStartObject(name);
        json.WriteString("path", file.Path);
        json.WriteString("sha256", file.Sha256);
        json.WriteNumber("bytes", file.Bytes);
        if (file.Width > 0)
        {
            json.WriteNumber("width", file.Width);
            json.WriteNumber("height", file.Height);
        }
        json.WriteEndObject();
    }
}

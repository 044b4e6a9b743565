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
    private static readonly JsonWriterOptions Indented = new() { Indented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

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
                part.ForEach(c => text.Append(CultureInfo.InvariantCulture, $"- `{c.File.Path}`{Detail(c)}\n"));
            }
        }
        return text.ToString();
    }

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
                if ((old.Width, old.Height) != (now.Width, now.Height) && old.Width > 0 && now.Width > 0)
                {
                    parts.Add(FormattableString.Invariant($"{old.Width}×{old.Height} px to {now.Width}×{now.Height} px"));
                }
            }
        }
        return parts.Count > 0 ? $" ({string.Join(", ", parts)})" : "";
    }

    private static void Write(Utf8JsonWriter json, FileChange change)
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

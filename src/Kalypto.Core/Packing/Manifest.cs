using System.Text.Encodings.Web;
using System.Text.Json;

namespace Kalypto.Core.Packing;

/// <summary>Writes <c>manifest.json</c>: every other file of a pack with where it comes from (schema in docs/manifest.schema.json).</summary>
public static class Manifest
{
    private static readonly JsonWriterOptions Indented = new() { Indented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The manifest. Equal packs give equal bytes.</summary>
    /// <param name="project">The name of the project.</param>
    /// <param name="files">The built files.</param>
    /// <param name="missing">Files that could not be made, with the reason.</param>
    /// <param name="sides">The text files that go with the pictures, as they were written.</param>
    public static byte[] Write(string project, IEnumerable<BuiltFile> files, IEnumerable<(PlannedFile File, string Why)> missing, IEnumerable<WrittenFile> sides)
    {
        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream, Indented))
        {
            json.WriteStartObject();
            json.WriteNumber("version", 1);
            json.WriteString("project", project);
            json.WriteStartArray("files");
            foreach (var built in files.OrderBy(f => f.File.Path, StringComparer.Ordinal))
            {
                json.WriteStartObject();
                WriteOrigin(json, built.File);
                json.WriteNumber("bytes", built.Bytes);
                json.WriteString("sha256", built.Sha256);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteStartArray("sideFiles");
            foreach (var side in sides.OrderBy(f => f.Path, StringComparer.Ordinal))
            {
                json.WriteStartObject();
                json.WriteString("path", side.Path);
                json.WriteString("platform", side.Platform);
                json.WriteNumber("bytes", side.Bytes);
                json.WriteString("sha256", side.Sha256);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteStartArray("missing");
            foreach (var (file, why) in missing.OrderBy(f => f.File.Path, StringComparer.Ordinal))
            {
                json.WriteStartObject();
                WriteOrigin(json, file);
                json.WriteString("why", why);
                json.WriteEndObject();
            }
            json.WriteEndArray();
            json.WriteEndObject();
        }
        stream.WriteByte((byte)'\n');
        return stream.ToArray();
    }

    private static void WriteOrigin(Utf8JsonWriter json, PlannedFile file)
    {
        json.WriteString("path", file.Path);
        json.WriteString("platform", file.Platform);
        json.WriteString("layer", file.Picture.LayerName);
        json.WriteString("screen", file.Picture.ScreenName);
        json.WriteString("kind", file.Picture.Making.Kind);
        if (!file.Credit.IsEmpty)
        {
            json.WriteString("credit", file.Credit.ToString());
        }
        json.WriteString("format", file.Format.Id);
        if (file.Ask.Format.Quality is { } quality)
        {
            json.WriteString("quality", quality.ToString());
        }
        if (!file.Format.IsVector)
        {
            json.WriteNumber("scale", Math.Round(file.Scale.Factor, 6));
        }
        json.WriteNumber("width", file.Width + file.Border);
        json.WriteNumber("height", file.Height + file.Border);
    }
}

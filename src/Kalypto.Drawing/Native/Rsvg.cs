using System.Runtime.InteropServices;
using System.Text;

namespace Kalypto.Drawing.Native;

/// <summary>The few calls of librsvg that are used.</summary>
internal static partial class Rsvg
{
    private const string Library = "librsvg-2.so.2";
    private const string GObject = "libgobject-2.0.so.0";
    private const string GLib = "libglib-2.0.so.0";
    private const string Gio = "libgio-2.0.so.0";

    // Our own reader has checked size, depth and entities, so the parser's own limits on attributes may go.
    private const int FlagUnlimited = 1;

    [StructLayout(LayoutKind.Sequential)]
    internal record struct Rectangle(double X, double Y, double Width, double Height);

    [StructLayout(LayoutKind.Sequential)]
    private struct Error
    {
        public uint Domain;
        public int Code;
        public nint Message;
    }

    [LibraryImport(Gio)]
    private static unsafe partial nint g_memory_input_stream_new_from_data(byte* data, nint length, nint destroy);

    [LibraryImport(Library)]
    private static partial nint rsvg_handle_new_from_stream_sync(nint stream, nint baseFile, int flags, nint cancellable, out nint error);

    [LibraryImport(Library)]
    private static partial void rsvg_handle_set_dpi(nint handle, double dpi);

    [LibraryImport(Library)]
    private static partial int rsvg_handle_render_document(nint handle, nint context, in Rectangle viewport, out nint error);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int rsvg_handle_get_geometry_for_layer(
        nint handle, string id, in Rectangle viewport, out Rectangle ink, out Rectangle logical, out nint error);

    [LibraryImport(GObject)]
    private static partial void g_object_unref(nint instance);

    [LibraryImport(GLib)]
    private static partial void g_error_free(nint error);

    /// <summary>A drawing that librsvg has read. One a job, never shared between threads.</summary>
    internal sealed class Handle : SafeHandle
    {
        // The stream reads from this memory as long as the handle lives.
        private GCHandle pinned;

        public unsafe Handle(string document)
            : base(0, true)
        {
            var bytes = Encoding.UTF8.GetBytes(document);
            pinned = GCHandle.Alloc(bytes, GCHandleType.Pinned);
            var stream = g_memory_input_stream_new_from_data((byte*)pinned.AddrOfPinnedObject(), bytes.Length, 0);
            // No base file: nothing outside the document can be reached.
            SetHandle(rsvg_handle_new_from_stream_sync(stream, 0, FlagUnlimited, 0, out var error));
            g_object_unref(stream);
            if (handle == 0)
            {
                pinned.Free();
                throw new RenderingFailedException($"The renderer cannot read it: {Take(error)}");
            }
            rsvg_handle_set_dpi(handle, 96);
        }

        public override bool IsInvalid => handle == 0;

        public void Render(Cairo.Context context, double width, double height, double margin = 0)
        {
            if (rsvg_handle_render_document(handle, context.DangerousGetHandle(), new Rectangle(-margin, -margin, width + 2 * margin, height + 2 * margin), out var error) == 0)
            {
                throw new RenderingFailedException($"The renderer gave up: {Take(error)}");
            }
            if (context.Failed)
            {
                throw new RenderingFailedException("The renderer ran out of memory or room.");
            }
        }

        /// <summary>
        /// The boxes of an element in the viewport: of fill and stroke, and of its outline alone; null when it has none.
        /// A path without area, such as a line, drags its own origin into the first.
        /// </summary>
        public (Rectangle Stroked, Rectangle Outline)? Shape(string id, double width, double height)
        {
            if (rsvg_handle_get_geometry_for_layer(handle, "#" + id, new Rectangle(0, 0, width, height), out var ink, out var logical, out var error) == 0)
            {
                Take(error);
                return null;
            }
            return (ink, logical);
        }

        protected override bool ReleaseHandle()
        {
            g_object_unref(handle);
            pinned.Free();
            return true;
        }

        private static string Take(nint error)
        {
            if (error == 0)
            {
                return "no reason given.";
            }
            var message = Marshal.PtrToStringUTF8(Marshal.PtrToStructure<Error>(error).Message) ?? "";
            g_error_free(error);
            return message.Trim().TrimEnd('.') + ".";
        }
    }

    /// <summary>The version of librsvg, from its own exported numbers.</summary>
    public static string Version()
    {
        var library = NativeLibrary.Load(Library);
        string Part(string name) => NativeLibrary.TryGetExport(library, name, out var address) ? Marshal.ReadInt32(address).ToString(System.Globalization.CultureInfo.InvariantCulture) : "?";
        return $"{Part("rsvg_major_version")}.{Part("rsvg_minor_version")}.{Part("rsvg_micro_version")}";
    }
}

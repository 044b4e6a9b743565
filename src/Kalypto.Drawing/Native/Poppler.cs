using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>The few calls of poppler that are used.</summary>
internal static partial class Poppler
{
    private const string Library = "libpoppler-glib.so.8";
    private const string GLib = "libglib-2.0.so.0";
    private const string GObject = "libgobject-2.0.so.0";
    private const int EncryptedError = 1;

    [LibraryImport(GLib)]
    private static partial nint g_bytes_new(ReadOnlySpan<byte> data, nuint size);

    [LibraryImport(GLib)]
    private static partial void g_bytes_unref(nint bytes);

    [LibraryImport(GLib)]
    private static partial void g_free(nint memory);

    [LibraryImport(GObject)]
    private static partial void g_object_unref(nint item);

    [LibraryImport(Library)]
    private static partial nint poppler_document_new_from_bytes(nint bytes, nint password, ref nint error);

    [LibraryImport(Library)]
    private static partial int poppler_document_get_n_pages(nint document);

    [LibraryImport(Library)]
    private static partial nint poppler_document_get_page(nint document, int index);

    [LibraryImport(Library)]
    private static partial void poppler_page_get_size(nint page, out double width, out double height);

    [LibraryImport(Library)]
    private static partial void poppler_page_render_for_printing(nint page, nint context);

    [LibraryImport(Library)]
    private static partial nint poppler_page_get_text(nint page);

    [LibraryImport(Library)]
    private static partial int poppler_page_get_text_layout(nint page, out nint rectangles, out uint count);

    [LibraryImport(Library)]
    private static partial nint poppler_layers_iter_new(nint document);

    [LibraryImport(Library)]
    private static partial nint poppler_layers_iter_get_child(nint parent);

    [LibraryImport(Library)]
    private static partial nint poppler_layers_iter_get_layer(nint iter);

    [LibraryImport(Library)]
    private static partial int poppler_layers_iter_next(nint iter);

    [LibraryImport(Library)]
    private static partial void poppler_layers_iter_free(nint iter);

    [LibraryImport(Library)]
    private static partial nint poppler_layer_get_title(nint layer);

    [LibraryImport(Library)]
    private static partial int poppler_layer_is_visible(nint layer);

    [LibraryImport(Library)]
    private static partial void poppler_layer_show(nint layer);

    [LibraryImport(Library)]
    private static partial void poppler_layer_hide(nint layer);

    /// <summary>A PDF in memory.</summary>
    internal sealed class Document : SafeHandle
    {
        private readonly nint bytes;

        /// <exception cref="RenderingFailedException">It is none, or is locked.</exception>
        public Document(ReadOnlySpan<byte> file)
            : base(0, true)
        {
            bytes = g_bytes_new(file, (nuint)file.Length);
            nint error = 0;
            SetHandle(poppler_document_new_from_bytes(bytes, 0, ref error));
            if (handle == 0)
            {
                // struct GError { quark domain; int code; char *message; }
                var isLocked = error != 0 && Marshal.ReadInt32(error, sizeof(int)) == EncryptedError;
                throw new RenderingFailedException(isLocked ? "The PDF is locked with a password" : "The PDF is broken or cut off");
            }
        }

        public override bool IsInvalid => handle == 0;

        public int Pages => poppler_document_get_n_pages(handle);

        public Page Page(int index) => new(poppler_document_get_page(handle, index));

        /// <summary>The groups of optional content, those in others behind these.</summary>
        public IReadOnlyList<Layer> Layers()
        {
            var found = new List<Layer>();
            Collect(poppler_layers_iter_new(handle), 0);
            return found;

            void Collect(nint iter, int depth)
            {
                if (iter == 0)
                {
                    return;
                }
                do
                {
                    if (poppler_layers_iter_get_layer(iter) is not 0 and var layer)
                    {
                        found.Add(new(layer));
                    }
                    if (depth < 8)
                    {
                        Collect(poppler_layers_iter_get_child(iter), depth + 1);
                    }
                }
                while (poppler_layers_iter_next(iter) != 0);
                poppler_layers_iter_free(iter);
            }
        }

        protected override bool ReleaseHandle()
        {
            g_object_unref(handle);
            g_bytes_unref(bytes);
            return true;
        }
    }

    /// <summary>A group of optional content. Shown or hidden for the whole document.</summary>
    internal sealed class Layer(nint layer)
    {
        public string Title { get; } = Marshal.PtrToStringUTF8(poppler_layer_get_title(layer)) ?? "";

        /// <summary>As the document has it at first.</summary>
        public bool IsVisible { get; } = poppler_layer_is_visible(layer) != 0;

        public void Show(bool isShown)
        {
            if (isShown)
            {
                poppler_layer_show(layer);
            }
            else
            {
                poppler_layer_hide(layer);
            }
        }
    }

    /// <summary>A page.</summary>
    internal sealed class Page : SafeHandle
    {
        public Page(nint page)
            : base(0, true)
        {
            SetHandle(page);
            if (page == 0)
            {
                throw new RenderingFailedException("A page of the PDF is broken");
            }
        }

        public override bool IsInvalid => handle == 0;

        /// <summary>pt.</summary>
        public (double Width, double Height) Size
        {
            get
            {
                poppler_page_get_size(handle, out var width, out var height);
                return (width, height);
            }
        }

        /// <summary>Draws the page. As for printing: for a screen, lines would be a pixel wide at least, which here is a pt.</summary>
        public void Render(Cairo.Context context) => poppler_page_render_for_printing(handle, context.DangerousGetHandle());

        /// <summary>Every letter with its left, top, right and lower edge in pt; line feeds end lines.</summary>
        public IReadOnlyList<(System.Text.Rune Letter, double Left, double Top, double Right, double Bottom)> Letters()
        {
            var text = poppler_page_get_text(handle);
            var letters = (Marshal.PtrToStringUTF8(text) ?? "").EnumerateRunes().ToList();
            g_free(text);
            if (poppler_page_get_text_layout(handle, out var rectangles, out var count) == 0)
            {
                return [];
            }
            var found = new (System.Text.Rune, double, double, double, double)[Math.Min(letters.Count, (int)count)];
            var edges = new double[4];
            for (var i = 0; i < found.Length; i++)
            {
                Marshal.Copy(rectangles + i * 4 * sizeof(double), edges, 0, 4);
                found[i] = (letters[i], edges[0], Math.Min(edges[1], edges[3]), edges[2], Math.Max(edges[1], edges[3]));
            }
            g_free(rectangles);
            return found;
        }

        protected override bool ReleaseHandle()
        {
            g_object_unref(handle);
            return true;
        }
    }
}

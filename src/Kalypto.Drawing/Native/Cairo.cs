using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>The few calls of cairo that are used.</summary>
internal static partial class Cairo
{
    private const string Library = "libcairo.so.2";
    public const int FormatArgb32 = 0;
    private const int PdfVersion15 = 1;

    [LibraryImport(Library)]
    private static partial nint cairo_image_surface_create(int format, int width, int height);

    [LibraryImport(Library)]
    private static partial nint cairo_create(nint surface);

    [LibraryImport(Library)]
    private static partial void cairo_scale(nint context, double across, double down);

    [LibraryImport(Library)]
    internal static partial void cairo_destroy(nint context);

    [LibraryImport(Library)]
    internal static partial void cairo_surface_destroy(nint surface);

    [LibraryImport(Library)]
    private static partial int cairo_surface_status(nint surface);

    [LibraryImport(Library)]
    private static partial int cairo_status(nint context);

    [LibraryImport(Library)]
    private static partial void cairo_surface_flush(nint surface);

    [LibraryImport(Library)]
    private static partial nint cairo_image_surface_get_data(nint surface);

    [LibraryImport(Library)]
    private static partial int cairo_image_surface_get_stride(nint surface);

    [LibraryImport(Library)]
    internal static partial nint cairo_version_string();

    [LibraryImport(Library)]
    private static partial nint cairo_pdf_surface_create_for_stream(nint write, nint closure, double width, double height);

    [LibraryImport(Library)]
    private static partial void cairo_pdf_surface_restrict_to_version(nint surface, int version);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial void cairo_pdf_surface_set_metadata(nint surface, int metadata, string text);

    [LibraryImport(Library)]
    private static partial nint cairo_svg_surface_create_for_stream(nint write, nint closure, double width, double height);

    [LibraryImport(Library)]
    private static partial void cairo_surface_finish(nint surface);

    /// <summary>A picture in memory: premultiplied BGRA, 8 bits each.</summary>
    internal sealed class Surface : SafeHandle
    {
        public Surface(int width, int height)
            : base(0, true)
        {
            Width = width;
            Height = height;
            SetHandle(cairo_image_surface_create(FormatArgb32, width, height));
            if (cairo_surface_status(handle) != 0)
            {
                throw new RenderingFailedException($"A picture of {width} x {height} px does not fit in the memory there is.");
            }
        }

        public int Width { get; }
        public int Height { get; }
        public int Stride => cairo_image_surface_get_stride(handle);
        public override bool IsInvalid => handle == 0;

        /// <summary>The pixels, row after row, <see cref="Stride"/> bytes each. Valid until the surface is disposed.</summary>
        public unsafe Span<byte> Pixels()
        {
            cairo_surface_flush(handle);
            var data = cairo_image_surface_get_data(handle);
            return new((void*)data, checked(Stride * Height));
        }

        protected override bool ReleaseHandle()
        {
            cairo_surface_destroy(handle);
            return true;
        }
    }

    /// <summary>The sorts of files of shapes.</summary>
    internal enum VectorKind
    {
        Pdf,
        Svg,
    }

    /// <summary>What can be said of a PDF (cairo_pdf_metadata_t).</summary>
    internal enum Metadata
    {
        Title,
        Author,
        Subject,
    }

    /// <summary>A file of shapes that is written into memory.</summary>
    internal sealed class StreamSurface : SafeHandle
    {
        private readonly MemoryStream file = new();
        private readonly GCHandle self;

        public unsafe StreamSurface(VectorKind kind, double width, double height)
            : base(0, true)
        {
            self = GCHandle.Alloc(file);
            delegate* unmanaged<nint, byte*, uint, int> write = &Write;
            SetHandle(kind == VectorKind.Pdf
                ? cairo_pdf_surface_create_for_stream((nint)write, GCHandle.ToIntPtr(self), width, height)
                : cairo_svg_surface_create_for_stream((nint)write, GCHandle.ToIntPtr(self), width, height));
            if (cairo_surface_status(handle) != 0)
            {
                throw new RenderingFailedException("The file cannot be begun for want of memory.");
            }
            if (kind == VectorKind.Pdf)
            {
                cairo_pdf_surface_restrict_to_version(handle, PdfVersion15);
            }
        }

        public override bool IsInvalid => handle == 0;

        public void SetMetadata(Metadata what, string text) => cairo_pdf_surface_set_metadata(handle, (int)what, text);

        /// <summary>Writes what is still to be written and gives the file.</summary>
        public byte[] Finish()
        {
            cairo_surface_finish(handle);
            if (cairo_surface_status(handle) != 0)
            {
                throw new RenderingFailedException("The file cannot be written for want of memory.");
            }
            return file.ToArray();
        }

        protected override bool ReleaseHandle()
        {
            cairo_surface_destroy(handle);
            self.Free();
            return true;
        }

        [UnmanagedCallersOnly]
        private static unsafe int Write(nint closure, byte* data, uint length)
        {
            ((MemoryStream)GCHandle.FromIntPtr(closure).Target!).Write(new ReadOnlySpan<byte>(data, (int)length));
            return 0;
        }
    }

    /// <summary>Draws onto a surface.</summary>
    internal sealed class Context : SafeHandle
    {
        public Context(SafeHandle surface)
            : base(0, true)
        {
            SetHandle(cairo_create(surface.DangerousGetHandle()));
        }

        public override bool IsInvalid => handle == 0;
        public bool Failed => cairo_status(handle) != 0;

        /// <summary>Has all that is drawn from now on drawn larger.</summary>
        public void Scale(double times) => cairo_scale(handle, times, times);

        protected override bool ReleaseHandle()
        {
            cairo_destroy(handle);
            return true;
        }
    }
}

using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>The few calls of cairo that are used.</summary>
internal static partial class Cairo
{
    private const string Library = "libcairo.so.2";
    public const int FormatArgb32 = 0;

    [LibraryImport(Library)]
    private static partial nint cairo_image_surface_create(int format, int width, int height);

    [LibraryImport(Library)]
    private static partial nint cairo_create(nint surface);

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

    /// <summary>Draws onto a surface.</summary>
    internal sealed class Context : SafeHandle
    {
        public Context(Surface surface)
            : base(0, true)
        {
            SetHandle(cairo_create(surface.DangerousGetHandle()));
        }

        public override bool IsInvalid => handle == 0;
        public bool Failed => cairo_status(handle) != 0;

        protected override bool ReleaseHandle()
        {
            cairo_destroy(handle);
            return true;
        }
    }
}

using System.Runtime.InteropServices;

namespace Kalypto.Drawing.Native;

/// <summary>The few calls of qpdf that are used: the objects of a PDF, read and replaced.</summary>
internal static partial class Qpdf
{
    private const string Library = "libqpdf.so.29";
    private const int Errors = 2;

    [LibraryImport(Library)]
    private static partial nint qpdf_init();

    [LibraryImport(Library)]
    private static partial void qpdf_cleanup(ref nint pdf);

    [LibraryImport(Library)]
    private static partial void qpdf_silence_errors(nint pdf);

    [LibraryImport(Library)]
    private static partial void qpdf_set_suppress_warnings(nint pdf, int isSilent);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial int qpdf_read_memory(nint pdf, string description, nint file, ulong length, string? password);

    [LibraryImport(Library)]
    private static partial int qpdf_get_num_pages(nint pdf);

    [LibraryImport(Library)]
    private static partial uint qpdf_get_page_n(nint pdf, nuint index);

    [LibraryImport(Library)]
    private static partial uint qpdf_get_root(nint pdf);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial uint qpdf_oh_get_key(nint pdf, uint item, string key);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial void qpdf_oh_replace_key(nint pdf, uint item, string key, uint value);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial void qpdf_oh_remove_key(nint pdf, uint item, string key);

    [LibraryImport(Library)]
    private static partial uint qpdf_get_trailer(nint pdf);

    [LibraryImport(Library)]
    private static partial double qpdf_oh_get_numeric_value(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial void qpdf_oh_begin_dict_key_iter(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_dict_more_keys(nint pdf);

    [LibraryImport(Library)]
    private static partial nint qpdf_oh_dict_next_key(nint pdf);

    [LibraryImport(Library)]
    private static partial uint qpdf_oh_get_dict(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_get_type_code(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_get_object_id(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_get_int_value_as_int(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial nint qpdf_oh_get_name(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial nint qpdf_oh_get_utf8_value(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_get_array_n_items(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial uint qpdf_oh_get_array_item(nint pdf, uint item, int index);

    [LibraryImport(Library)]
    private static partial void qpdf_oh_append_item(nint pdf, uint item, uint value);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial uint qpdf_oh_parse(nint pdf, string text);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial uint qpdf_oh_new_unicode_string(nint pdf, string text);

    [LibraryImport(Library)]
    private static partial uint qpdf_make_indirect_object(nint pdf, uint item);

    [LibraryImport(Library)]
    private static partial uint qpdf_oh_new_stream(nint pdf);

    [LibraryImport(Library)]
    private static partial uint qpdf_oh_new_null(nint pdf);

    [LibraryImport(Library)]
    private static partial void qpdf_oh_replace_stream_data(nint pdf, uint stream, ReadOnlySpan<byte> data, nuint length, uint filter, uint parameters);

    [LibraryImport(Library)]
    private static partial int qpdf_oh_get_page_content_data(nint pdf, uint page, out nint data, out nuint length);

    [LibraryImport(Library)]
    private static partial int qpdf_init_write_memory(nint pdf);

    [LibraryImport(Library)]
    private static partial void qpdf_set_deterministic_ID(nint pdf, int isDeterministic);

    [LibraryImport(Library)]
    private static partial int qpdf_write(nint pdf);

    [LibraryImport(Library)]
    private static partial nint qpdf_get_buffer(nint pdf);

    [LibraryImport(Library)]
    private static partial nuint qpdf_get_buffer_length(nint pdf);

    /// <summary>A PDF in memory. Items of it are good as long as it is.</summary>
    internal sealed class Document : SafeHandle
    {
        private readonly nint file;

        /// <exception cref="RenderingFailedException">It cannot be read.</exception>
        public Document(ReadOnlySpan<byte> bytes)
            : base(0, true)
        {
            unsafe
            {
                file = (nint)NativeMemory.Alloc((nuint)bytes.Length);
                bytes.CopyTo(new((void*)file, bytes.Length));
            }
            SetHandle(qpdf_init());
            qpdf_silence_errors(handle);
            qpdf_set_suppress_warnings(handle, 1);
            Check(qpdf_read_memory(handle, "drawing", file, (ulong)bytes.Length, null));
        }

        public override bool IsInvalid => handle == 0;

        public int Pages => qpdf_get_num_pages(handle);

        public Item Root => new(handle, qpdf_get_root(handle));

        public Item Trailer => new(handle, qpdf_get_trailer(handle));

        public Item Page(int index) => new(handle, qpdf_get_page_n(handle, (nuint)index));

        /// <summary>An object out of its text; it may hold no references.</summary>
        public Item Parse(string text) => new(handle, qpdf_oh_parse(handle, text));

        public Item Text(string text) => new(handle, qpdf_oh_new_unicode_string(handle, text));

        public Item Indirect(Item item) => new(handle, qpdf_make_indirect_object(handle, item.Id));

        public Item Stream(ReadOnlySpan<byte> data)
        {
            var (stream, nothing) = (qpdf_oh_new_stream(handle), qpdf_oh_new_null(handle));
            qpdf_oh_replace_stream_data(handle, stream, data, (nuint)data.Length, nothing, nothing);
            return new(handle, stream);
        }

        /// <summary>The operators of a page, decoded.</summary>
        /// <exception cref="RenderingFailedException">They cannot be decoded.</exception>
        public byte[] ContentOf(Item page)
        {
            Check(qpdf_oh_get_page_content_data(handle, page.Id, out var data, out var length));
            var content = new byte[(int)length];
            Marshal.Copy(data, content, 0, content.Length);
            unsafe
            {
                NativeMemory.Free((void*)data);
            }
            return content;
        }

        /// <exception cref="RenderingFailedException">It cannot be written.</exception>
        public byte[] Write()
        {
            Check(qpdf_init_write_memory(handle));
            qpdf_set_deterministic_ID(handle, 1);
            Check(qpdf_write(handle));
            var written = new byte[(int)qpdf_get_buffer_length(handle)];
            Marshal.Copy(qpdf_get_buffer(handle), written, 0, written.Length);
            return written;
        }

        protected override bool ReleaseHandle()
        {
            qpdf_cleanup(ref handle);
            unsafe
            {
                NativeMemory.Free((void*)file);
            }
            return true;
        }

        // What it warns of it has mended.
        private static void Check(int code)
        {
            if ((code & Errors) != 0)
            {
                throw new RenderingFailedException("The objects of the PDF cannot be read");
            }
        }
    }

    /// <summary>An object of a PDF.</summary>
    internal readonly struct Item(nint pdf, uint id)
    {
        // enum qpdf_object_type_e
        private const int Integer = 4;
        private const int Decimal = 5;
        private const int String = 6;
        private const int Name = 7;
        private const int Array = 8;
        private const int Dictionary = 9;
        private const int Stream = 10;

        public uint Id { get; } = id;

        public bool IsDictionary => Type == Dictionary;

        public bool IsStream => Type == Stream;

        public bool IsArray => Type == Array;

        public int? Number => Type == Integer ? qpdf_oh_get_int_value_as_int(pdf, Id) : null;

        /// <summary>A number; 0 for anything else.</summary>
        public double Real => Type is Integer or Decimal ? qpdf_oh_get_numeric_value(pdf, Id) : 0;

        /// <summary>A string, or a name without its slash; null for anything else.</summary>
        public string? Text => Type switch
        {
            String => Marshal.PtrToStringUTF8(qpdf_oh_get_utf8_value(pdf, Id)),
            Name => Marshal.PtrToStringUTF8(qpdf_oh_get_name(pdf, Id))?.TrimStart('/'),
            _ => null,
        };

        /// <summary>The number of an object that stands by itself; 0 for one inside another.</summary>
        public int ObjectNumber => qpdf_oh_get_object_id(pdf, Id);

        public int Count => Type == Array ? qpdf_oh_get_array_n_items(pdf, Id) : 0;

        private int Type => qpdf_oh_get_type_code(pdf, Id);

        public Item this[int index] => new(pdf, qpdf_oh_get_array_item(pdf, Id, index));

        /// <summary>The value of a key; one of no type where there is none, or the item is no dictionary.</summary>
        public Item this[string key] => new(pdf, qpdf_oh_get_key(pdf, IsStream ? qpdf_oh_get_dict(pdf, Id) : Id, "/" + key));

        /// <summary>All values of a dictionary; none of anything else.</summary>
        public IReadOnlyList<Item> Values()
        {
            var keys = new List<string>();
            if (IsDictionary)
            {
                qpdf_oh_begin_dict_key_iter(pdf, Id);
                while (qpdf_oh_dict_more_keys(pdf) != 0)
                {
                    keys.Add(Marshal.PtrToStringUTF8(qpdf_oh_dict_next_key(pdf))![1..]);
                }
            }
            var item = this;
            return [.. keys.Select(k => item[k])];
        }

        public void Set(string key, Item value) => qpdf_oh_replace_key(pdf, IsStream ? qpdf_oh_get_dict(pdf, Id) : Id, "/" + key, value.Id);

        public void Remove(string key) => qpdf_oh_remove_key(pdf, Id, "/" + key);

        public void Add(Item value) => qpdf_oh_append_item(pdf, Id, value.Id);
    }
}
